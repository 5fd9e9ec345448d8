import type { Verdict } from "../../kernel/verdict/index.ts";

/** What is at hand of a radiator with its fan; what nobody measured is left out. */
export interface CoolingUnit {
  /** What the fan's motor draws at work, all of them together. */
  motorAmps?: number;
  coreWidthMm?: number;
  coreHeightMm?: number;
  coreThicknessMm?: number;
  /** How much of the core's face the shroud and fan leave open to the road's air, 0 to 1. */
  freeShare?: number;
}

export interface Range {
  low: number;
  high: number;
}

export interface WillItCool {
  /** Air that the fan draws through, standing still, as a share of today's. */
  air: Range;
  /** Heat that it gives off standing still, as a share of today's. */
  heat: Range;
  /** Heat on the road, where the car's own way drives the air. */
  onRoad: Range;
  verdict: Verdict;
  because: string;
  /** What was measured on neither and is taken for unchanged, and what on one alone. */
  takenSame: string[];
  unmeasured: string[];
}

/**
 * What nobody knows of a car on the yard, from its least to its most: how much of the air's resistance is the core's, how
 * much better or worse one fan is than another, how near the air already comes to the coolant's heat, how a thicker
 * core's depth counts, what a cooler before it adds and warms.
 */
const UNKNOWN = {
  coreShare: [0.45, 0.85],
  fanBetter: [0.85, 1.18],
  transferUnits: [0.6, 1.4],
  depthCounts: [0.6, 0.9],
  airCounts: [0.35, 0.6],
  coolerResists: [0.3, 0.7],
  coolerWarms: [0.05, 0.2],
} as const;
const LITTLE_LESS = 0.95;

const RANGES: [name: keyof CoolingUnit, words: string, least: number, most: number][] = [
  ["motorAmps", "the fan's draw", 0.5, 200],
  ["coreWidthMm", "the core's width", 50, 3000],
  ["coreHeightMm", "the core's height", 50, 3000],
  ["coreThicknessMm", "the core's thickness", 5, 300],
  ["freeShare", "what the fan leaves free", 0.05, 1],
];

/** Without these of both nothing is judged; what the fan leaves free is taken for unchanged, and said so. */
const WANTED = ["motorAmps", "coreWidthMm", "coreHeightMm", "coreThicknessMm"] as const;

function checked(unit: CoolingUnit, which: string): void {
  for (const [name, words, least, most] of RANGES) {
    const value = unit[name];
    if (value !== undefined && !(value >= least && value <= most))
      throw new RangeError(`${value} for ${words} of the ${which} one is outside ${least} to ${most}.`);
  }
}

/** Every corner of what nobody knows. */
function* corners(names: readonly (keyof typeof UNKNOWN)[]): Generator<Record<keyof typeof UNKNOWN, number>> {
  for (let bits = 0; bits < 2 ** names.length; bits++)
    yield Object.fromEntries(names.map((name, at) => [name, UNKNOWN[name][(bits >> at) & 1]])) as Record<
      keyof typeof UNKNOWN,
      number
    >;
}

const widened = (values: readonly number[]): Range => ({
  low: Math.min(...values),
  high: Math.max(...values),
});
const percent = (share: number) => `${Math.round(share * 100)} %`;

/**
 * What another fan, a thicker core or a cooler before it does to the air and the heat, as a range against today's unit:
 * the fan law (air goes with the cube root of its power over the resistance) and effectiveness by transfer units, worked
 * out at every corner of what isn't known. Without draw and core of both it says nothing; what the fan leaves
 * free counts as unchanged where nobody measured it, and is named. `coolerCovers`
 * is the share of the face that an added cooler stands before. Throws `RangeError` for figures that no car has.
 */
export function willItCool(old: CoolingUnit, made: CoolingUnit, coolerCovers = 0): WillItCool {
  checked(old, "old");
  checked(made, "new");
  if (!(coolerCovers >= 0 && coolerCovers <= 1))
    throw new RangeError(`A cooler before ${coolerCovers} of the face is outside 0 to 1.`);
  const ratio = (name: keyof CoolingUnit) => {
    const [was, is] = [old[name], made[name]];
    return was === undefined || is === undefined ? 1 : is / was;
  };
  const takenSame = RANGES.filter(([name]) => old[name] === undefined && made[name] === undefined).map(
    ([, words]) => words,
  );
  const unmeasured = RANGES.filter(([name]) => (old[name] === undefined) !== (made[name] === undefined)).map(
    ([, words]) => words,
  );
  const isJudged = WANTED.every((name) => old[name] !== undefined && made[name] !== undefined);
  const face = ratio("coreWidthMm") * ratio("coreHeightMm");
  const isSameFan = old.motorAmps === made.motorAmps;
  const names = (Object.keys(UNKNOWN) as (keyof typeof UNKNOWN)[]).filter(
    (name) => name !== "fanBetter" || !isSameFan,
  );
  const found = [...corners(names)].map((at) => {
    const core = at.coreShare * (ratio("coreThicknessMm") / face ** 2);
    const rest = 1 - at.coreShare;
    const resists = (core + rest) * (1 + at.coolerResists * coolerCovers);
    const power = ratio("motorAmps") * (isSameFan ? 1 : at.fanBetter);
    const air = (power / resists) ** (1 / 3);
    // On the road the air is driven by the car's way: through the resistance, and past whatever covers the core.
    const roadAir = Math.sqrt(1 / resists) * ratio("freeShare") ** 0.5;
    const heatOf = (flow: number) => {
      const surface = face * ratio("coreThicknessMm") ** at.depthCounts;
      const units = (at.transferUnits * surface * (flow / face) ** at.airCounts) / flow;
      const warmed = 1 - at.coolerWarms * coolerCovers;
      return (warmed * flow * (1 - Math.exp(-units))) / (1 - Math.exp(-at.transferUnits));
    };
    return { air, heat: heatOf(air), onRoad: heatOf(roadAir) };
  });
  const [air, heat, onRoad] = [
    widened(found.map((each) => each.air)),
    widened(found.map((each) => each.heat)),
    widened(found.map((each) => each.onRoad)),
  ];
  const worst = heat.low < onRoad.low ? heat : onRoad;
  const where = worst === heat ? "standing still" : "on the road";
  const missing = [...unmeasured, ...(isJudged ? [] : takenSame)];
  const verdict: Verdict =
    missing.length > 0
      ? "not-seen"
      : worst.high < LITTLE_LESS
        ? "fail"
        : worst.low >= LITTLE_LESS
          ? "pass"
          : "not-seen";
  const span = `${percent(worst.low)} to ${percent(worst.high)} of today's heat ${where}`;
  const because =
    missing.length > 0
      ? `Measure ${missing.join(", ")} on both: without it nothing is known.`
      : verdict === "fail"
        ? `It cools less than today's, whatever isn't known: ${span}.`
        : verdict === "pass"
          ? `It cools as well as today's, whatever isn't known: ${span}.`
          : `It may cool less than today's: ${span}, by how little is known.`;
  return { air, heat, onRoad, verdict, because, takenSame, unmeasured };
}
