import type { Grade } from "../core/trade/sourcing/index.ts";
import { FLEET } from "./fleet.ts";
import { coolantChange, hoseJob, nothingWrong, radiatorJob, switchJob, thermostatJob } from "./job-kinds.ts";
import { type DemoVehicle, type PersonKey, SUPPLIERS } from "./shop.ts";
import type { Story } from "./story.ts";

const DAYS = 3 * 365;
/** With the seventeen told one by one these make ninety. */
const CLOSED = 73;
const BETWEEN_DAYS = 18;
const NEWEST_DAYS = 9;
const SEED = 20_417;

/** Weibull lives of a radiator in days, by grade, as this valley's roads leave them. */
const LIVES: Record<Grade, { scaleDays: number; shape: number }> = {
  "maker's": { scaleDays: 2600, shape: 2.4 },
  pattern: { scaleDays: 620, shape: 1.6 },
  "all-metal": { scaleDays: 3100, shape: 2.8 },
  used: { scaleDays: 520, shape: 1.2 },
};
const GRADE_ODDS: [Grade, number][] = [
  ["pattern", 0.55],
  ["maker's", 0.27],
  ["all-metal", 0.11],
  ["used", 0.07],
];

/** Mulberry32: the same shop for everybody. */
function dice(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

interface Planned {
  of: DemoVehicle;
  daysAgo: number;
  tell: (key: string, by: PersonKey, seed: number) => Story;
}

/** The grade that somebody bought, as often as this shop bought it. */
function gradeAt(pick: number): Grade {
  let sum = 0;
  for (const [grade, odds] of GRADE_ODDS) {
    sum += odds;
    if (sum > pick) return grade;
  }
  return "pattern";
}

/** Every radiator of a vehicle over the years: each fails at an age drawn from its grade's lives. */
function radiatorsOf(of: DemoVehicle, roll: () => number): Planned[] {
  const jobs: Planned[] = [];
  // The works' own radiator is somewhere in its life when the books begin.
  let failsAt = roll() * 1100;
  while (failsAt < DAYS - NEWEST_DAYS) {
    const grade = gradeAt(roll());
    const supplier = SUPPLIERS[Math.floor(roll() * SUPPLIERS.length)] ?? SUPPLIERS[0];
    const daysAgo = Math.round(DAYS - failsAt);
    jobs.push({
      of,
      daysAgo,
      tell: (key, by, seed) => radiatorJob(key, of, daysAgo, by, grade, supplier, seed),
    });
    const { scaleDays, shape } = LIVES[grade];
    failsAt += Math.max(40, scaleDays * (-Math.log(1 - roll())) ** (1 / shape));
  }
  return jobs;
}

/** One of the smaller jobs that a vehicle of that circuit has. */
function smallJob(of: DemoVehicle, daysAgo: number, roll: () => number): Planned {
  const hasSwitch = of.card.circuit?.startsWith("switch") ?? false;
  const kinds: Planned["tell"][] = [
    (key, by) => hoseJob(key, of, daysAgo, by),
    (key, by) => coolantChange(key, of, daysAgo, by),
    (key, by, seed) => thermostatJob(key, of, daysAgo, by, seed),
    ...(hasSwitch
      ? [(key: string, by: PersonKey, seed: number) => switchJob(key, of, daysAgo, by, seed)]
      : []),
    ...(of.card.fanOnC.length > 0
      ? [(key: string, by: PersonKey, seed: number) => nothingWrong(key, of, daysAgo, by, seed)]
      : []),
  ];
  return { of, daysAgo, tell: kinds[Math.floor(roll() * kinds.length)] ?? (kinds[0] as Planned["tell"]) };
}

/** Days since it was new, less a little: nothing is mended on a car that isn't there yet. */
const ageDays = ({ distanceKm, kmPerYear }: DemoVehicle) => (0.9 * 365 * distanceKm) / kmPerYear;

const isFree = (planned: readonly Planned[], of: DemoVehicle, daysAgo: number) =>
  daysAgo < ageDays(of) &&
  planned.every((each) => each.of !== of || Math.abs(each.daysAgo - daysAgo) >= BETWEEN_DAYS);

/** Three years of closed jobs on the fleet, drawn from fixed seeds: radiators by their lives, the rest as it comes. */
export function history(): Story[] {
  const roll = dice(SEED);
  const planned: Planned[] = [];
  for (const of of FLEET)
    for (const job of radiatorsOf(of, roll))
      if (planned.length < CLOSED && isFree(planned, of, job.daysAgo)) planned.push(job);
  while (planned.length < CLOSED) {
    const of = FLEET[Math.floor(roll() * FLEET.length)] as DemoVehicle;
    const daysAgo = NEWEST_DAYS + Math.floor(roll() * (DAYS - NEWEST_DAYS));
    if (isFree(planned, of, daysAgo)) planned.push(smallJob(of, daysAgo, roll));
  }
  return planned.map(({ tell }, index) => tell(`h${index + 1}`, index % 2 ? "ilse" : "tobin", 100 + index));
}
