import { atmosphereKPa, boilingPointC } from "../coolant/index.ts";
import { SCHOOLS, type School } from "./schools.ts";

export const SCHOOL_WORDS: Record<School, string> = {
  "electric-pump": "the electric pump's routine",
  vacuum: "vacuum fill",
  "bleed-screw": "bleed screw",
  "open-cap": "open cap",
  "expansion-tank": "expansion tank",
  "fill-and-recheck": "fill, drive, look again",
};

export interface BleedingStep {
  /** What to do, as one short order. */
  order: string;
  kind: "fill" | "run" | "cool" | "top-up" | "look";
  /** How long, where a clock says when it is over; a cool-down is over by its reading. */
  minutes?: number;
  engine:
    | "off"
    | "idle"
    | "2000 to 2500 for ten seconds, every two minutes"
    | "ignition on, engine off"
    | "driven";
  cap: "off" | "on" | "tool on it";
  watch: readonly string[];
}

export interface Method {
  school: School;
  /** How well it suits this car. */
  suits: "best" | "well" | "weakly";
  because: string;
  steps: readonly BleedingStep[];
  /** From this step on it is done over and over until the level holds. */
  againFrom: number;
  /** Above it the run is stopped, °C. */
  limitC: number;
  stopAtOnce: readonly string[];
}

/** What is known of a vehicle; what isn't is left out. */
export interface BleedingVehicle {
  /** Where it is filled and bled, in the card's own words. */
  fillPoint?: string;
  bleedPoints?: string;
  /** °C at which its fan stages start. */
  fanOnC?: readonly number[];
  altitudeM?: number;
  /** Share of glycol by volume. */
  fraction?: number;
}

const USUAL_LIMIT_C = 105;
const OVER_FAN_C = 6;
/** With its cap off a mix boils at the pressure of the air: so far below that the engine is stopped. */
const BEFORE_BOIL_C = 4;

const GAUGE = "the gauge, at each look";
const WARM_SIGNS = [
  "bubbles at the neck",
  "top hose hot, then the bottom hose warm",
  "heater blows hot",
  GAUGE,
];

const cool = (more = ""): BleedingStep => ({
  order: `Engine off, cap on. Let it cool until a reading says that it may be opened.${more}`,
  kind: "cool",
  engine: "off",
  cap: "on",
  watch: ["the fan may start by itself", "it gets hotter first, from the block"],
});
const TOP_UP: BleedingStep = {
  order:
    "Cold: cloth over the cap, first notch, then off. Top up to the line, and write down how much went in, nought too.",
  kind: "top-up",
  engine: "off",
  cap: "off",
  watch: ["how far it had dropped"],
};
const warm = (order: string, cap: BleedingStep["cap"], minutes = 12): BleedingStep => ({
  order,
  kind: "run",
  minutes,
  engine: "idle",
  cap,
  watch: WARM_SIGNS,
});
const revs = (cap: BleedingStep["cap"]): BleedingStep => ({
  order: "Raise the revs for ten seconds, every two minutes; top up as it drops. Until a fan has run.",
  kind: "run",
  minutes: 10,
  engine: "2000 to 2500 for ten seconds, every two minutes",
  cap,
  watch: ["the level drops as air leaves", "a fan cycle", GAUGE],
});
const fill = (order: string, cap: BleedingStep["cap"] = "off"): BleedingStep => ({
  order,
  kind: "fill",
  engine: "off",
  cap,
  watch: ["what goes in, by the jug", "nothing runs out below"],
});

const STEPS: Record<School, readonly BleedingStep[]> = {
  "open-cap": [
    fill("Cold, cap off, funnel on the highest point. Fill slowly to the neck."),
    warm("Start it. Heater hottest, its fan low. Keep the neck full.", "off"),
    revs("off"),
    cool(),
    TOP_UP,
  ],
  "bleed-screw": [
    fill("Cold, bleed screw open. Fill until a solid stream runs from it, then shut it and cap on.", "off"),
    warm("Start it. Heater hottest, its fan low.", "on"),
    {
      ...revs("on"),
      order:
        "Crack the screw open, slowly, cloth over it: air first, then a solid stream. Shut it, snug. Then revs for ten seconds, every two minutes.",
      watch: ["scalding: face away from the screw", "a solid stream", GAUGE],
    },
    cool(),
    TOP_UP,
  ],
  "expansion-tank": [
    fill("Cold, tank's cap off. Fill to the cold line, squeeze the hoses, fill again."),
    warm("Start it. Heater hottest, its fan low. Cap on once the level holds.", "off"),
    revs("on"),
    cool(),
    TOP_UP,
  ],
  "electric-pump": [
    fill("A charger on the battery, lights on. Cold, cap off. Fill to the line."),
    {
      order:
        "Ignition on, heater hottest, fan lowest. Hold the pedal down ten seconds. Let the pump run its minutes.",
      kind: "run",
      minutes: 12,
      engine: "ignition on, engine off",
      cap: "on",
      watch: ["the pump is heard, then gurgle less and less", "the battery's volts: 12.5 and more"],
    },
    { ...TOP_UP, order: "Top up to the line, and write down how much went in, nought too." },
    warm("Start it and let it warm, heater hottest.", "on", 15),
    cool(),
    TOP_UP,
  ],
  vacuum: [
    {
      order: "Cold, the tool on the neck. Draw it down as far as it goes; hoses go flat.",
      kind: "run",
      minutes: 3,
      engine: "off",
      cap: "tool on it",
      watch: ["the tool's gauge", "hoses that fold where they are soft"],
    },
    {
      order: "Shut the tap and wait. A gauge that moves is a leak: find it before anything goes in.",
      kind: "look",
      minutes: 2,
      engine: "off",
      cap: "tool on it",
      watch: ["the gauge holds"],
    },
    fill("Open the line to the jug. Let it draw coolant in until the gauge is at nought.", "tool on it"),
    warm("Tool off, cap on. Start it, heater hottest, its fan low, until a fan has run.", "on", 15),
    cool(),
    TOP_UP,
  ],
  "fill-and-recheck": [
    fill("Cold. Fill the reservoir half way above its line."),
    {
      order: "Drive it gently, heater hottest, ten minutes. Turn back at once if the gauge climbs.",
      kind: "run",
      minutes: 15,
      engine: "driven",
      cap: "on",
      watch: [GAUGE, "heater blows hot"],
    },
    cool(),
    TOP_UP,
  ],
};
const AGAIN_FROM: Record<School, number> = {
  "open-cap": 1,
  "bleed-screw": 1,
  "expansion-tank": 1,
  "electric-pump": 1,
  vacuum: 3,
  "fill-and-recheck": 1,
};

/** A step of a school by its place, whatever the car; nothing where it has none there. */
export const stepOf = (school: School, place: number): BleedingStep | undefined => STEPS[school][place];

/** Whether a step begins with a cap or a screw that opens: only on evidence that the engine is cold. */
export const opensCap = ({ kind, cap }: BleedingStep): boolean =>
  kind === "fill" || kind === "top-up" || cap === "tool on it";

/** What the card's words say; what they don't say nobody guesses. */
function pointsOf({ fillPoint = "", bleedPoints = "" }: BleedingVehicle) {
  const words = `${fillPoint} ${bleedPoints}`.toLowerCase();
  return {
    isPump: /\bpumps?\b/.test(words),
    isScrew:
      /\b(?:screws?|nipples?|bleeders?|bleed valves?|vents?)\b/.test(words) &&
      !/\bno (?:bleed )?(?:screw|nipple|bleeder|vent)/.test(words),
    isTank: /\b(?:tank|bottle|reservoir)\b/.test(fillPoint.toLowerCase()),
    isCap: /\b(?:radiator|cap on the radiator|neck|funnel)\b/.test(fillPoint.toLowerCase()),
  };
}

function limitOf({ fanOnC = [], altitudeM = 0, fraction = 0.5 }: BleedingVehicle, isOpen: boolean): number {
  const byFan = fanOnC.length > 0 ? Math.max(...fanOnC) + OVER_FAN_C : USUAL_LIMIT_C;
  if (!isOpen) return byFan;
  return Math.min(
    byFan,
    Math.floor(boilingPointC("ethylene", fraction, atmosphereKPa(altitudeM)) - BEFORE_BOIL_C),
  );
}

/**
 * Every school of bleeding with how well it suits the car and why, best first, each a run of steps: what to do, engine,
 * cap, minutes, what to watch, and when to stop at once. By the card's words for where it is filled and bled; the limit is
 * 6 °C over the last fan stage, and with the cap off at most 4 °C below boiling at that altitude. Throws `RangeError` on an
 * altitude outside −500 to 11,000 m and on a share outside 0 to 1.
 */
export function methodsFor(vehicle: BleedingVehicle): Method[] {
  const { isPump, isScrew, isTank, isCap } = pointsOf(vehicle);
  const judged: Record<School, [Method["suits"], string]> = {
    "electric-pump": isPump
      ? ["best", "Its pump is electric and runs with the engine off: only its routine moves the coolant."]
      : ["weakly", "The card speaks of no electric pump."],
    "bleed-screw": isScrew
      ? [isPump ? "well" : "best", `It has one: ${(vehicle.bleedPoints || vehicle.fillPoint) ?? ""}.`]
      : ["weakly", "The card speaks of no bleed screw."],
    "open-cap": isCap
      ? [
          isPump || isScrew ? "well" : "best",
          "It is filled at the radiator: air leaves where the coolant goes in.",
        ]
      : [
          "weakly",
          isTank
            ? "It is filled at a tank: the air collects elsewhere."
            : "The card doesn't say that it is filled at the radiator.",
        ],
    "expansion-tank": isTank
      ? [isPump || isScrew ? "well" : "best", "It is filled at its tank, and vents into it."]
      : ["weakly", "The card speaks of no tank to fill at."],
    vacuum: [
      "well",
      "On any car, with the tool: no air gets in, and it shows a leak before anything is poured.",
    ],
    "fill-and-recheck": [
      "weakly",
      "The weakest: air leaves only as it is driven, and somebody has to look again and again.",
    ],
  };
  const order = { best: 0, well: 1, weakly: 2 } as const;
  return SCHOOLS.map((school) => {
    const [suits, because] = judged[school];
    const steps = STEPS[school];
    const limitC = limitOf(
      vehicle,
      steps.some(({ kind, cap }) => kind === "run" && cap === "off"),
    );
    return {
      school,
      suits,
      because,
      steps,
      againFrom: AGAIN_FROM[school],
      limitC,
      stopAtOnce: [
        `a reading over ${limitC} °C`,
        "the gauge climbs while the heater turns cold",
        "steam, or coolant pushed out",
        "a leak",
      ],
    };
  }).sort((a, b) => order[a.suits] - order[b.suits]);
}
