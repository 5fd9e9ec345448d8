import { measuredMix, poured, proved, readPressure } from "../book/acts/index.ts";
import { typedFigure } from "../kernel/csv/index.ts";
import { type Dimension, parseQuantity, SHOWN } from "../kernel/units/index.ts";
import { proofWords } from "../state/index.ts";
import { fractionFromFreezePoint, freezePointC, STRONGEST } from "../trade/coolant/index.ts";
import type { LineContext, LineDraft } from "./line.ts";

const N = "(\\d+(?:[.,]\\d+)?|[.,]\\d+)";
const VOLTS = "(?: ?(?:v|volts?))?";
const MS_PER_MINUTE = 60_000;

const figure = (text = "") => typedFigure(text.replace(/^([.,])/, "0$1"));

/** A figure in core units, by its own unit or the shop's. */
function inCore(
  text: string,
  unit: string,
  dimension: Dimension,
  { system }: LineContext,
): number | undefined {
  const value = figure(text);
  if (value === undefined) return undefined;
  const of = unit === "pounds" || unit === "lbs" ? "psi" : unit || SHOWN[dimension][system].key;
  try {
    const read = parseQuantity(`${value} ${of}`);
    return read.dimension === dimension ? read.value : undefined;
  } catch {
    return undefined;
  }
}

const within = (value: number | undefined, least: number, most: number): value is number =>
  value !== undefined && value >= least && value <= most;

const reads = (item: string, value: number, unit: string, place?: string): LineDraft[] => [
  { kind: "reading", item, value, unit, ...(place ? { place } : {}) },
];

const MOST_VOLTS = 60;
const MOST_DROP_V = 16;
const MOST_AMPS = 200;

/** One way of saying a figure: what its groups make of it, or nothing where the figure can't be one. */
type Saying = readonly [
  said: string,
  read: (groups: string[], context: LineContext) => LineDraft[] | undefined,
];

const volts = (text: string | undefined, place: string) => {
  const value = figure(text);
  return within(value, 0, MOST_VOLTS) ? reads("voltage", value, "V", place) : undefined;
};

function drop(text: string | undefined, unit: string | undefined, where: string | undefined) {
  const value = figure(text);
  const inVolts = value === undefined ? undefined : /^m/.test(unit ?? "") ? value / 1000 : value;
  if (!within(inVolts, 0, MOST_DROP_V) || !where) return undefined;
  return reads("voltage drop", inVolts, "V", where === "earth" ? "ground" : where);
}

const SIDE = "(ground|earth|feed)(?: side)?";
const METER: readonly Saying[] = [
  [
    `battery (?:is )?(?:at |reads |shows )?${N}${VOLTS}( running| cranking)?`,
    ([text, how = ""]) => volts(text, `battery${how}`),
  ],
  [`${N}${VOLTS} (?:at|on) battery( running| cranking)?`, ([text, how = ""]) => volts(text, `battery${how}`)],
  [
    `(?:got )?${N}${VOLTS} (?:at|on) ((?:(?:left|right) )?(?:fan|relay|module|switch|sensor)) (?:plug|connector)`,
    ([text, at]) => volts(text, `${at} plug`),
  ],
  [
    "(?:no|zero) (?:volts?|voltage|power) (?:at|on) ((?:(?:left|right) )?(?:fan|relay|module|switch|sensor)) (?:plug|connector)",
    ([at]) => volts("0", `${at} plug`),
  ],
  [
    `${N} ?(v|volts?|mv|millivolts?)? (?:voltage )?drop (?:on|in|over|across) ${SIDE}`,
    ([text, unit, where]) => drop(text, unit, where),
  ],
  [
    `(?:voltage )?drop (?:on|in|over|across) ${SIDE} (?:is )?${N} ?(v|volts?|mv|millivolts?)?`,
    ([where, text, unit]) => drop(text, unit, where),
  ],
  [`${SIDE} drop (?:is )?${N} ?(v|volts?|mv|millivolts?)?`, ([where, text, unit]) => drop(text, unit, where)],
  [
    `((?:(?:left|right) )?fan)(?: motor)? (?:is )?(?:draws|pulls|pulling|drawing|takes) ${N}(?: ?(?:a|amps?))?`,
    ([fan, text]) => amps(text, fan),
  ],
  [`${N} ?(?:a|amps) (?:on|at|through) ((?:(?:left|right) )?fan)`, ([text, fan]) => amps(text, fan)],
  [
    `(?:coolant )?sensor (?:reads |is |at )?${N} ?(k ?(?:ohms?)?|ohms?)`,
    ([text, unit]) => {
      const value = figure(text);
      const ohms = value === undefined ? undefined : /^k/.test(unit ?? "") ? value * 1000 : value;
      return within(ohms, 0, 1_000_000) ? reads("resistance", ohms, "Ω") : undefined;
    },
  ],
];

function amps(text: string | undefined, fan = "fan"): LineDraft[] | undefined {
  const value = figure(text);
  return within(value, 0, MOST_AMPS) ? reads("current", value, "A", fan) : undefined;
}

const BELOW = "(?:minus |- ?)";
const STRENGTH: readonly Saying[] = [
  [
    `(?:refractometer|freezes|freeze point|freezing point|protected|protection|good|(?:coolant |it )?tests|antifreeze good)(?: (?:says|reads|is|shows|at|to|down to))* ${BELOW}(\\d+(?:[.,]\\d+)?) ?(c|f|°c|°f)?`,
    ([text = "", unit = ""], context) => {
      const celsius = inCore(`-${text}`, unit, "temperature", context);
      if (!within(celsius, freezePointC("ethylene", STRONGEST), 0)) return undefined;
      const words = `refractometer, freezes at −${text} ${unit ? `°${unit.replace("°", "").toUpperCase()}` : SHOWN.temperature[context.system].label}`;
      return [measuredMix(fractionFromFreezePoint("ethylene", celsius), "ethylene", words)];
    },
  ],
];

const UNIT = "(bar|psi|pounds|lbs|kpa)";
const MINUTES = "(\\d{1,3})(?: ?(?:min|mins|minutes?))?";
/** "For 15" is said of minutes; a bare figure behind a pressure is not. */
const FOR_MINUTES =
  "(?:(?:for |after )(\\d{1,3})(?: ?(?:min|mins|minutes?))?|(\\d{1,3}) ?(?:min|mins|minutes?))";
const HIGHEST_KPA = 300;

/** A pressure that stood then and one that stands now: two readings of one test, the first so many minutes ago. */
function held(
  from: number | undefined,
  to: number | undefined,
  minutes: string | undefined,
  context: LineContext,
) {
  const past = Number(minutes);
  if (!within(from, 1, HIGHEST_KPA) || !within(to, 0, HIGHEST_KPA) || !context.now || !within(past, 1, 240))
    return undefined;
  const began = new Date(Date.parse(context.now) - past * MS_PER_MINUTE).toISOString();
  return [{ ...readPressure(from, { begins: true }), at: began }, readPressure(to)];
}

const kPa = (text: string, unit: string, context: LineContext) => inCore(text, unit, "pressure", context);

const PRESSURE: readonly Saying[] = [
  [
    `(?:held |holding |holds |still )?${N} ?${UNIT}(?: held)?,? ${FOR_MINUTES}(?:,? (?:didn't drop|no drop|held|holding))?`,
    ([text = "", unit = "", after, minutes], context) => {
      const stood = kPa(text, unit, context);
      return held(stood, stood, after ?? minutes, context);
    },
  ],
  [
    `(?:dropped |fell |went )?(?:from )?${N} ?${UNIT}? (?:down )?to ${N} ?${UNIT}? in ${MINUTES}`,
    ([from = "", unitFrom, to = "", unitTo, minutes], context) => {
      const unit = unitFrom ?? unitTo;
      return unit
        ? held(kPa(from, unit, context), kPa(to, unitTo ?? unit, context), minutes, context)
        : undefined;
    },
  ],
  [
    `(?:pressure on,? |pumped (?:it )?(?:up )?to )${N} ?${UNIT}`,
    ([text = "", unit = ""], context) => begun(kPa(text, unit, context)),
  ],
  [`${N} ?${UNIT} on it`, ([text = "", unit = ""], context) => begun(kPa(text, unit, context))],
];

const begun = (stood: number | undefined) =>
  within(stood, 1, HIGHEST_KPA) ? [readPressure(stood, { begins: true })] : undefined;

const dry = (proof: "leaks-hot" | "leaks-cold" | "pressure") => () => [
  proved({ proof, words: proofWords(proof) }, "pass"),
];
const LEAKS: readonly Saying[] = [
  ["(?:no leaks?|(?:bone )?dry),? (?:when )?hot|hot,? (?:and )?(?:no leaks?|dry)", dry("leaks-hot")],
  ["(?:no leaks?|(?:bone )?dry),? (?:when )?cold|cold,? (?:and )?(?:no leaks?|dry)", dry("leaks-cold")],
  ["(?:no leaks?|dry) under pressure", dry("pressure")],
];

/** A kind by the letters on its can: no colour, and no claim of what it is made of. */
const KIND = "((?:si-|p-)?h?oat|iat|[a-z]{1,3}-?\\d{1,2}\\+{0,2})";
const OF_KIND: readonly Saying[] = [
  [
    `(?:filled|put|poured|added|topped up|refilled)(?: in)?(?: with)? ${N} ?(l|litres?|liters?|qts?|quarts?|gals?|gallons?) of ${KIND}(?: coolant)?(?: in)?`,
    ([text = "", unit = "", kind = ""], context) => {
      const litres = inCore(text, unit, "volume", context);
      return within(litres, 0.01, MOST_LITRES)
        ? [{ ...poured(litres), text: kind.toUpperCase() }]
        : undefined;
    },
  ],
];
const MOST_LITRES = 60;

const ALL = [...METER, ...STRENGTH, ...PRESSURE, ...LEAKS, ...OF_KIND].map(
  ([said, read]) => [new RegExp(`^(?:${said})$`), read] as const,
);

/** What was measured, as it is muttered beside the instrument; nothing where it is no such saying or can't be. */
export function measuredIn(said: string, context: LineContext): LineDraft[] | undefined {
  for (const [pattern, read] of ALL) {
    const found = pattern.exec(said);
    const drafts = found && read(found.slice(1), context);
    if (drafts) return drafts;
  }
  return undefined;
}
