import { typedFigure } from "../../kernel/csv/index.ts";
export interface StampStage {
  onC: number;
  /** Absent where the stamp gives starts only. */
  offC?: number;
}

export interface SwitchStamp {
  /** Low stage first, in °C whatever the stamp's unit. */
  stages: StampStage[];
  unit: "C" | "F";
  /** What was taken for granted, one sentence each. */
  assumed: string[];
}

/** No thermal switch for coolant acts outside these. */
const COLDEST_C = 40;
const HOTTEST_C = 140;
/** Above this a bare figure can't be °C, and a switch in °F isn't below. */
const SURELY_F = 140;
/** A stage that stops more than this below its start is two figures that don't belong together. */
const WIDEST_C = 30;

const toCelsius = (fahrenheit: number) => Math.round(((fahrenheit - 32) / 1.8) * 10) / 10;

interface Read {
  figures: number[];
  isStarts: boolean;
}

const STAGE_NUMBER = /(^|[\s,;])(?:stage\s*)?[12]\s*[:=)]/gi;
const NUMBERED = /(?:^|[\s,;])(?:stage\s*)?[12]\s*[:=)]\s*(\d+(?:[.,]\d+)?)\s*°?[CF]?(?=[\s,;]|$)/gi;

const toNumber = (text = "") => typedFigure(text) ?? Number.NaN;

/** "1: 94 2: 101" names the stages and gives one figure each. */
function readFigures(text: string): Read {
  const numbered = [...text.matchAll(NUMBERED)];
  if (numbered.length > 0 && !/\d/.test(text.replace(NUMBERED, "")))
    return { figures: numbered.map((match) => toNumber(match[1])), isStarts: true };
  const unnumbered = text.replace(STAGE_NUMBER, "$1");
  const figures = [...unnumbered.matchAll(/\d+(?:[.,]\d+)?/g)].map((match) => toNumber(match[0]));
  return { figures, isStarts: false };
}

function refuseCount(count: number, text: string): void {
  if (count === 0)
    throw new RangeError(`“${text.trim()}” has no figure; a stamp reads like 94/86 or 94-86 101-92`);
  if (count === 1)
    throw new RangeError(`“${text.trim()}” has one figure; a stage has two, on and off, like 94/86`);
  if (count === 3)
    throw new RangeError(
      `“${text.trim()}” has three figures; two are one stage, four are two: which is missing?`,
    );
  if (count > 4)
    throw new RangeError(`“${text.trim()}” has ${count} figures; two are one stage, four are two stages`);
}

/**
 * Reads the temperatures stamped on a thermal switch: two figures are on and off of one stage, four of two stages, in
 * either order ("on" is the higher of a pair, the low stage the cooler pair), with the usual separators, °C unless the
 * stamp says F or can't be °C. "1: 94 2: 101" gives starts only. Stages from 40 to 140 °C, low one first. Throws
 * `RangeError` for one, three or more than four figures, for on = off and for figures no switch has.
 */
export function readSwitchStamp(text: string): SwitchStamp {
  const { figures, isStarts } = readFigures(text);
  if (!isStarts) refuseCount(figures.length, text);
  const assumed: string[] = [];
  const saysF = /\d\s*°?\s*F\b/i.test(text);
  const saysC = /\d\s*°?\s*C\b/i.test(text);
  if (saysF && saysC) throw new RangeError(`“${text.trim()}” names both °C and °F; a stamp has one unit`);
  const isF = saysF || (!saysC && figures.every((figure) => figure > SURELY_F));
  if (!saysF && !saysC)
    assumed.push(
      isF ? "°F, since no switch closes that hot in °C" : "°C, which stamps are in unless they say otherwise",
    );
  const celsius = figures.map((figure) => (isF ? toCelsius(figure) : figure));
  for (const [index, figure] of celsius.entries()) {
    if (!(figure >= COLDEST_C && figure <= HOTTEST_C))
      throw new RangeError(
        `${figures[index]} ${isF ? "°F" : "°C"} is no temperature of a coolant switch; they act from ${COLDEST_C} to ${HOTTEST_C} °C`,
      );
  }
  if (isStarts) {
    assumed.push("starts only: the stamp does not say where a stage stops");
    const stages = celsius.map((onC) => ({ onC })).sort((a, b) => a.onC - b.onC);
    if (stages.length === 2 && stages[0]?.onC === stages[1]?.onC)
      throw new RangeError(`both stages start at ${stages[0]?.onC} °C; the high one must be hotter`);
    return { stages, unit: isF ? "F" : "C", assumed };
  }
  const stages: StampStage[] = [];
  for (let i = 0; i < celsius.length; i += 2) {
    const [a = 0, b = 0] = celsius.slice(i, i + 2);
    if (a === b)
      throw new RangeError(`${figures[i]} stands for both on and off; a stage stops below its start`);
    if (Math.abs(a - b) > WIDEST_C)
      throw new RangeError(
        `${figures[i]} and ${figures[i + 1]} are too far apart for one stage; pairs differ by 3 to 15 °C`,
      );
    if (b > a) assumed.push(`${figures[i + 1]} is on and ${figures[i]} off: on is the higher of a pair`);
    stages.push({ onC: Math.max(a, b), offC: Math.min(a, b) });
  }
  stages.sort((a, b) => a.onC - b.onC);
  if (stages.length === 2 && stages[0]?.onC === stages[1]?.onC)
    throw new RangeError(`both stages start at ${stages[0]?.onC} °C; the high one must be hotter`);
  return { stages, unit: isF ? "F" : "C", assumed };
}
