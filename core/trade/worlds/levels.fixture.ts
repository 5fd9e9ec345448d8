import { type Advice, type Level, reaches } from "../leaks/index.ts";
import { gathered, rowsOf, type WorldFile } from "./worlds.fixture.ts";

const DAY_MS = 86_400_000;
const START = Date.parse("2030-01-01T08:00:00Z");
const iso = (day: number) => new Date(START + day * DAY_MS).toISOString();

export interface JudgedLevels {
  world: string;
  kind: string;
  advice: Advice;
  /** Days until it truly meets the minimum, from the last look. */
  meetsDays: number;
  /** Days until it is said to meet it at the earliest; never where nothing is said. */
  earliestDays: number;
}

/** Every car whose levels somebody looked at, judged on the day of the last look. */
export function judgedLevels(fileOf: WorldFile): JudgedLevels[] {
  const looks = gathered(rowsOf(fileOf("level-looks")), "world");
  return rowsOf(fileOf("level-worlds")).map(
    ({ world = "", kind = "", minimum_l, meets_minimum_after_days }) => {
      const levels = (looks.get(world) ?? []).map(
        ({ day, read_missing_l, booked_pour_l, distance_km }): Level => ({
          at: iso(Number(day)),
          missingL: Number(read_missing_l),
          ...(booked_pour_l ? { toppedUpL: Number(booked_pour_l) } : {}),
          distanceKm: Number(distance_km),
        }),
      );
      const last = levels.at(-1)?.at ?? iso(0);
      const { advice, earliest } = reaches(levels, Number(minimum_l), { now: last });
      return {
        world,
        kind,
        advice,
        meetsDays: meets_minimum_after_days ? Number(meets_minimum_after_days) : Number.POSITIVE_INFINITY,
        earliestDays: earliest
          ? (Date.parse(earliest) - Date.parse(last)) / DAY_MS
          : Number.POSITIVE_INFINITY,
      };
    },
  );
}
