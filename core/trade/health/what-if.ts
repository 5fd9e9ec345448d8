import { seededRandom } from "../../kernel/chance/index.ts";
import type { Verdict } from "../../kernel/verdict/index.ts";
import { SCRIPTS, type ScriptName, simulate, type ThermalCar } from "../thermal/index.ts";
import { spareC } from "./spare.ts";

export interface Span {
  low: number;
  high: number;
}

/** What would be otherwise; what isn't said stays as it is. Shares are of today's. */
export interface WhatIf {
  /** Heat that fan and core pass together standing still, and on the road. */
  standing?: Span;
  onRoad?: Span;
  /** Where another thermostat begins to open, and where another switch starts the first stage, °C. */
  opensC?: number;
  fanOnC?: number;
  /** Glycol by volume, 0 to 1; and the cap, kPa. */
  fraction?: number;
  capGaugeKPa?: number;
}

export interface DayOutcome {
  day: ScriptName;
  /** Hottest coolant, °C; how far below boiling at the worst, °C; and how long the fan ran, h: over all that isn't known. */
  today: { peakC: Span; marginC: Span; fanH: Span };
  changed: { peakC: Span; marginC: Span; fanH: Span };
  verdict: Verdict;
  because: string;
}

/** The days that a shop like this one has to hold. */
export const WORST_DAYS: readonly ScriptName[] = [
  "school queue at 38 °C",
  "pass climb with a trailer",
  "motorway",
];

const DRAWS = 14;
const STEP_S = 1;
const RANGES: readonly [keyof WhatIf, least: number, most: number, words: string][] = [
  ["opensC", 55, 112, "A thermostat that opens at"],
  ["fanOnC", 60, 125, "A fan that starts at"],
  ["fraction", 0, 0.7, "A strength of"],
  ["capGaugeKPa", 0, 250, "A cap of"],
];

/** What nobody measured of a car, each from its least to its most as a share: wider where only its card is known. */
const UNKNOWN = {
  heat: { own: 0.06, card: 0.15, settle: "a warm-up log of this car in which its fan runs twice" },
  passes: { own: 0.08, card: 0.2, settle: "a warm-up log of this car in which its fan runs twice" },
  load: { own: 0.12, card: 0.12, settle: "a log of the drive itself" },
  ram: { own: 0.2, card: 0.2, settle: "a log of the drive itself" },
  change: { own: 1, card: 1, settle: "both units, measured: draw, face, thickness, what is left free" },
} as const;
type Factor = keyof typeof UNKNOWN;
const FACTORS = Object.keys(UNKNOWN) as Factor[];

function checked(change: WhatIf): void {
  for (const [name, least, most, words] of RANGES) {
    const value = change[name];
    if (typeof value === "number" && !(value >= least && value <= most))
      throw new RangeError(`${words} ${value}: ${least} to ${most} can be.`);
  }
  for (const span of [change.standing, change.onRoad])
    if (span && !(span.low > 0.02 && span.high >= span.low && span.high < 20))
      throw new RangeError(`A share of ${span.low} to ${span.high} of today's: 0.02 to 20 can be.`);
}

/** A car whose fan and core pass so much standing still, and so much on the road. */
function passing(car: ThermalCar, standing: number, onRoad: number): ThermalCar {
  const both = Math.sqrt(standing * onRoad);
  return {
    ...car,
    fans: car.fans.map((fan) => ({ ...fan, airKgS: fan.airKgS * standing })),
    ramKgSPerKmh: car.ramKgSPerKmh * onRoad,
    draughtKgS: car.draughtKgS * onRoad,
    coreAirKWPerK: car.coreAirKWPerK * both ** 0.4,
    coreCoolantKWPerK: car.coreCoolantKWPerK * both,
  };
}

const within = (span: Span | undefined, place: number) =>
  span ? span.low + (span.high - span.low) * (0.5 + 0.5 * place) : 1;

function changedCar(car: ThermalCar, change: WhatIf, place: number): ThermalCar {
  const { opensC, fanOnC, fraction, capGaugeKPa } = change;
  const by = fanOnC === undefined ? 0 : fanOnC - (car.fans[0]?.onC ?? fanOnC);
  const next = passing(car, within(change.standing, place), within(change.onRoad, place));
  return {
    ...next,
    fans: next.fans.map((fan) => ({ ...fan, onC: fan.onC + by, offC: fan.offC + by })),
    ...(opensC !== undefined && { opensC }),
    ...(fraction !== undefined && { fraction }),
    ...(capGaugeKPa !== undefined && { capGaugeKPa }),
  };
}

function ran(car: ThermalCar, day: ScriptName, altitudeM: number) {
  const { truth, trace } = simulate(car, { ...SCRIPTS[day], altitudeM }, [], {
    dtS: STEP_S,
    hz: 0.5,
    isExact: true,
  });
  const { blockC, stages, boilsC } = truth;
  const peakC = blockC.reduce((most, value) => Math.max(most, value), Number.NEGATIVE_INFINITY);
  const runs = stages.reduce((sum, count) => sum + (count > 0 ? 1 : 0), 0);
  const lastS = trace.s.at(-1) ?? 0;
  return {
    peakC,
    marginC: boilsC - peakC,
    spareC: spareC({ peakC, boilsC }),
    fanH: ((runs / stages.length) * lastS) / 3600,
  };
}
type Ran = ReturnType<typeof ran>;

const spanOf = (values: readonly number[]): Span => ({ low: Math.min(...values), high: Math.max(...values) });
const spansOf = (all: readonly Ran[]) => ({
  peakC: spanOf(all.map(({ peakC }) => peakC)),
  marginC: spanOf(all.map(({ marginC }) => marginC)),
  fanH: spanOf(all.map(({ fanH }) => fanH)),
});

/** What moves an outcome most, of what isn't known. */
function settles(
  places: readonly Record<Factor, number>[],
  margins: readonly number[],
  isChange: boolean,
): string {
  const mean = margins.reduce((sum, value) => sum + value, 0) / margins.length;
  const moved = (factor: Factor) =>
    Math.abs(places.reduce((sum, place, at) => sum + place[factor] * ((margins[at] as number) - mean), 0));
  const open = FACTORS.filter((factor) => factor !== "change" || isChange);
  const most = open.reduce((best, factor) => (moved(factor) > moved(best) ? factor : best));
  return UNKNOWN[most].settle;
}

const degrees = ({ low, high }: Span) =>
  Math.round(low) === Math.round(high) ? `${Math.round(low)}` : `${Math.round(low)} to ${Math.round(high)}`;

/**
 * A car as it is and as it would be on the worst days of a shop: its peak, its margin to boiling and its fan's hours, each over all that
 * nobody measured, drawn from its range: the same draws for both. `isOwn` where the car is known by its own good log and not by its
 * card alone. It holds a day where it has something to spare (`spareC`) whatever isn't known, and fails it where it never has; between, it is not seen,
 * with the one measurement that would settle it most. Throws a RangeError for figures that no car has.
 */
export function whatIf(
  car: ThermalCar,
  change: WhatIf,
  {
    isOwn = false,
    altitudeM = 0,
    onProgress = () => undefined,
  }: { isOwn?: boolean; altitudeM?: number; onProgress?: (share: number) => void } = {},
): DayOutcome[] {
  checked(change);
  const random = seededRandom(7);
  const width = (factor: Factor) => (isOwn ? UNKNOWN[factor].own : UNKNOWN[factor].card);
  // Spread evenly over each range, so that few draws reach both ends.
  const places = Array.from({ length: DRAWS }, () => 0).map((_, at) =>
    Object.fromEntries(
      FACTORS.map((factor, each) => [
        factor,
        at < 2 ? (at === 0 ? 1 : -1) * (each % 2 ? 1 : -1) : 2 * random() - 1,
      ]),
    ),
  ) as Record<Factor, number>[];
  const cars = places.map((place) => {
    const heat = 1 + width("heat") * place.heat;
    const passes = 1 + width("passes") * place.passes;
    const drawn = passing(car, passes, passes * (1 + width("ram") * place.ram));
    const loadShare = drawn.loadShare * (1 + width("load") * place.load);
    return { ...drawn, loadShare, idleKW: drawn.idleKW * heat, kWPerRpm: drawn.kWPerRpm * heat };
  });
  const isChange = change.standing !== undefined || change.onRoad !== undefined;
  return WORST_DAYS.map((day, at) => {
    const today = cars.map((each) => ran(each, day, altitudeM));
    const after = cars.map((each, draw) =>
      ran(changedCar(each, change, (places[draw] as { change: number }).change), day, altitudeM),
    );
    onProgress((at + 1) / WORST_DAYS.length);
    const spare = after.map((each) => each.spareC);
    const { low, high } = spanOf(spare);
    const verdict: Verdict = low >= 0 ? "pass" : high < 0 ? "fail" : "not-seen";
    const peak = `${degrees(spanOf(after.map(({ peakC }) => peakC)))} °C at the hottest`;
    const because =
      verdict === "pass"
        ? `It holds, whatever isn't known: ${peak}.`
        : verdict === "fail"
          ? `It doesn't hold, whatever isn't known: ${peak}.`
          : `It may and it may not hold: ${peak}. Most would be settled by ${settles(places, spare, isChange)}.`;
    return { day, today: spansOf(today), changed: spansOf(after), verdict, because };
  });
}
