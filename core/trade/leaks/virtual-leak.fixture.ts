import type { Level } from "./loss-rate.ts";

export const DAY_MS = 86_400_000;
export const KM_PER_DAY = 75;
export const START = Date.parse("2026-03-01T08:00:00Z");
export const iso = (day: number) => new Date(START + day * DAY_MS).toISOString();

function normal(random: () => number): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}

export interface World {
  perDayL: number;
  readingL: number;
  misread: number;
  roundL: number;
  visits: number;
  apartDays: number;
}

/** A car that loses so much a day, looked at by people who misread, round to marks and top up by eye. */
export function looks(world: World, random: () => number): Level[] {
  let missingL = random() * 0.3;
  let day = 0;
  let distanceKm = 40_000;
  return Array.from({ length: world.visits }, () => {
    const days = world.apartDays * (0.3 + 1.4 * random());
    day += days;
    missingL += world.perDayL * days;
    distanceKm += days * KM_PER_DAY;
    const slip = random() < world.misread ? (random() < 0.5 ? -1 : 1) * (0.3 + 0.7 * random()) : 0;
    const read = missingL + normal(random) * world.readingL + slip;
    const shown = Math.round(read / world.roundL) * world.roundL;
    const level: Level = { at: iso(day), missingL: shown, distanceKm };
    if (missingL > 0.6 || random() < 0.15) {
      const poured = Math.max(0, missingL);
      level.toppedUpL = Math.round(poured / 0.05) * 0.05;
      missingL -= poured;
    }
    return level;
  });
}
