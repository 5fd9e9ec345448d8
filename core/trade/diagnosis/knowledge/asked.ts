import type { Prior } from "../model/index.ts";
import { hypothesisOf } from "./hypotheses.ts";
import { DEAD_FAN } from "./outcome-words.ts";
import type { GaugeStood, HappensWhen } from "./owners-words.ts";
import { TROUBLES, type Trouble, troubleGiven } from "./troubles.ts";

/** What Ask has heard, as far as it moves belief. */
export interface Asked {
  troubles?: readonly Trouble[];
  happens?: readonly HappensWhen[];
  gauge?: GaugeStood;
  level?: "line" | "min" | "low" | "empty";
  codes?: string;
}

/** Something heard or known that makes some faults likelier, or less likely. */
export interface Hint {
  /** How many times likelier this makes a fault; faults not named stay as they are. */
  times: number;
  faults: readonly string[];
  reason: string;
}

const AIR_FLOW = [
  ...DEAD_FAN,
  "resistor",
  "switch-low-dead",
  "switch-rating",
  "switch-drifted",
  "fan-backwards",
  "clutch-slips",
  "shroud-missing",
  "core-blocked-outside",
];
const COOLANT_FLOW = [
  "pump-weak",
  "belt-slack",
  "wrong-strength",
  "core-blocked-inside",
  "hose-collapsed",
  "thermostat-lazy",
  "core-blocked-outside",
];
/** Faults that lose coolant. */
export const LOSES = [
  "leak-radiator",
  "leak-hose",
  "leak-pump",
  "leak-tank",
  "leak-housing",
  "leak-oil-cooler",
  "leak-heater",
  "head-gasket",
  "low-coolant",
  "cap-weak",
];

/** Chips weigh little: owners remember the last time, not every time. */
const HAPPENS_HINTS: Record<HappensWhen, Hint[]> = {
  standing: [
    { times: 2, faults: AIR_FLOW, reason: "no wind of its own, so the fan is missed" },
    { times: 0.6, faults: COOLANT_FLOW, reason: "these show with load" },
  ],
  road: [
    { times: 2.5, faults: COOLANT_FLOW, reason: "load without enough flow" },
    { times: 0.4, faults: AIR_FLOW, reason: "the wind does the fan's work" },
  ],
  uphill: [{ times: 2, faults: [...COOLANT_FLOW, "head-gasket"], reason: "load" }],
  towing: [{ times: 2, faults: [...COOLANT_FLOW, "head-gasket", "clutch-slips"], reason: "load" }],
  "hot-weather": [
    {
      times: 1.5,
      faults: ["core-blocked-outside", "shroud-missing", "clutch-slips"],
      reason: "little to spare",
    },
  ],
  "cold-weather": [
    {
      times: 3,
      faults: ["thermostat-open", "leak-hose"],
      reason: "shows when it must hold heat; clamps shrink",
    },
  ],
  "after-drive": [{ times: 1.5, faults: LOSES, reason: "pressure is highest then" }],
  "after-night": [{ times: 2, faults: LOSES, reason: "a night's drip is a puddle" }],
  "air-conditioning": [
    { times: 3, faults: ["ac-trigger", "core-blocked-outside", "resistor"], reason: "more heat in front" },
  ],
  "after-work": [
    {
      times: 4,
      faults: [
        "air-lock",
        "fan-backwards",
        "switch-rating",
        "thermostat-wrong",
        "shroud-missing",
        "switch-plug",
        "sensor-plug",
        "fan-plug",
        "wrong-strength",
        "leak-housing",
      ],
      reason: "what hands leave behind: air, a plug off, a wrong part, a fan turned round",
    },
  ],
};

const LEVELS: Record<"line" | "min" | "low" | "empty", Hint[]> = {
  line: [{ times: 0.35, faults: LOSES, reason: "nothing is missing today" }],
  min: [{ times: 1.5, faults: LOSES, reason: "a little is missing" }],
  low: [{ times: 5, faults: [...LOSES, "air-lock"], reason: "it went somewhere" }],
  empty: [
    { times: 8, faults: LOSES, reason: "it went somewhere, fast" },
    { times: 0.3, faults: ["nothing-wrong", "gauge-high"], reason: "an empty system is a fault" },
  ],
};

const GAUGE_HINTS: Partial<Record<GaugeStood, Hint[]>> = {
  red: [{ times: 0.4, faults: ["nothing-wrong"], reason: "a poor witness, but a loud one" }],
  cold: [{ times: 2.5, faults: ["thermostat-open"], reason: "never got warm" }],
  broken: [
    { times: 2, faults: ["gauge-high", "sensor-open", "sensor-plug"], reason: "something there is broken" },
  ],
};

/** Standard codes that speak of the cooling system (SAE J2012). */
const CODES: { code: RegExp; hint: Hint }[] = [
  {
    code: /P011[5-9]/i,
    hint: {
      times: 8,
      faults: ["sensor-open", "sensor-short", "sensor-biased", "sensor-plug"],
      reason: "coolant sensor circuit",
    },
  },
  {
    code: /P0128/i,
    hint: {
      times: 8,
      faults: ["thermostat-open", "thermostat-lazy"],
      reason: "below the thermostat's opening",
    },
  },
  {
    code: /P048[0-5]/i,
    hint: {
      times: 6,
      faults: [...DEAD_FAN, "relay-welded"],
      reason: "fan control circuit",
    },
  },
  { code: /P0217/i, hint: { times: 0.2, faults: ["nothing-wrong", "gauge-high"], reason: "it was too hot" } },
];

function hintsOf({ happens = [], gauge, level, codes }: Asked): Hint[] {
  return [
    ...happens.flatMap((when) => (Object.hasOwn(HAPPENS_HINTS, when) ? HAPPENS_HINTS[when] : [])),
    ...((gauge && Object.hasOwn(GAUGE_HINTS, gauge) && GAUGE_HINTS[gauge]) || []),
    ...(level ? LEVELS[level] : []),
    ...CODES.filter(({ code }) => code.test(codes ?? "")).map(({ hint }) => hint),
  ];
}

/**
 * Weights after what the owner said: each weight times how likely that trouble is to be told first given how the fault
 * shows (several are weighed as one, by their geometric mean), times the hints of chips, level, gauge and codes.
 * `known` are hints of another book. Relative weights in the order given. Throws `RangeError` for a trouble that isn't one.
 */
export function weighAsked(priors: readonly Prior[], asked: Asked, known: readonly Hint[] = []): Prior[] {
  const troubles = (asked.troubles ?? []).map((id) => {
    if (!Object.hasOwn(TROUBLES, id)) throw new RangeError(`“${id}” is no trouble that is asked for`);
    return id as Trouble;
  });
  const hints = [...hintsOf(asked), ...known];
  return priors.map(({ id, weight }) => {
    const pattern = hypothesisOf(id)?.shows;
    const said =
      pattern && troubles.length > 0
        ? troubles.reduce((product, trouble) => product * troubleGiven(trouble, pattern), 1) **
          (1 / troubles.length)
        : 1;
    const hinted = hints.reduce(
      (product, { times, faults }) => (faults.includes(id) ? product * times : product),
      1,
    );
    return { id, weight: weight * said * hinted };
  });
}
