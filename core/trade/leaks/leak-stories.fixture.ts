import type { Level } from "./loss-rate.ts";
import { DAY_MS, START } from "./virtual-leak.fixture.ts";

export const STORIES = [
  "sound",
  "constant",
  "began lately",
  "growing",
  "pour misbooked",
  "level misread",
] as const;
export type Story = (typeof STORIES)[number];

export interface LeakStory {
  levels: Level[];
  minimumL: number;
  /** Days after the last look until it truly meets the minimum. */
  meetsDays: number;
  /** Litres that truly went between the last two looks. */
  newlyGoneL: number;
}

const between = (random: () => number, low: number, high: number) => low + (high - low) * random();

/**
 * A car whose tank widens upwards, so that marks lie closer where it is full, looked at by somebody who reads a mark off by up to a
 * few millimetres and fills it to the line when it is low; what it loses is told by the day.
 */
export function leakStory(story: Story, random: () => number): LeakStory {
  const minimumL = between(random, 0.6, 1.3);
  const litreMm = between(random, 35, 70);
  const heightOf = (missingL: number) => litreMm * missingL * (1 + 0.12 * missingL);
  const seen = (missingL: number) => {
    const mm = heightOf(Math.max(0, missingL)) + between(random, -5, 5);
    return Math.round((mm / litreMm) * 10) / 10;
  };
  const visits = 3 + Math.floor(10 * random());
  const apart = Array.from({ length: visits }, () =>
    random() < 0.12 ? between(random, 14, 20) : between(random, 5, 9),
  );
  const lastDay = apart.reduce((sum, each) => sum + each, 0);
  const rate = between(random, 0.02, 0.12);
  const begins = lastDay - between(random, 0.5, 7);
  const slow = 0.001;
  const perDay: Record<Story, (day: number) => number> = {
    sound: () => slow,
    constant: () => rate,
    "began lately": (day) => (day < begins ? slow : rate),
    growing: (day) => 0.01 * Math.exp((Math.log(rate / 0.01) * day) / lastDay),
    "pour misbooked": () => slow,
    "level misread": () => rate,
  };
  const lost = perDay[story];
  const wrongAt = 1 + Math.floor((visits - 1) * random());
  const levels: Level[] = [];
  let day = 0;
  let missingL = 0.05;
  let newlyGoneL = 0;
  for (const [visit, days] of apart.entries()) {
    const beforeL = missingL;
    for (let hour = 0; hour < days * 24; hour++) missingL += lost(day + hour / 24) / 24;
    newlyGoneL = missingL - beforeL;
    day += days;
    const isWrong = visit === wrongAt;
    const slip =
      story === "level misread" && isWrong ? between(random, 0.3, 0.7) * (random() < 0.5 ? -1 : 1) : 0;
    const level: Level = {
      at: new Date(START + day * DAY_MS).toISOString(),
      missingL: Math.round((seen(missingL) + slip) * 10) / 10,
    };
    if (story === "pour misbooked" && isWrong)
      level.toppedUpL = Math.round(20 * between(random, 0.5, 2)) / 20;
    else if (missingL > 0.55) {
      level.toppedUpL = Math.round(20 * missingL) / 20;
      missingL = 0;
    }
    levels.push(level);
  }
  let meetsDays = 0;
  while (missingL < minimumL && meetsDays < 400) {
    missingL += lost(day + meetsDays) / 4;
    meetsDays += 0.25;
  }
  return { levels, minimumL, meetsDays, newlyGoneL };
}
