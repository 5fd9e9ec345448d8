import type { AtDesk } from "../../database/connection.ts";
import { layDay } from "./lay-day.ts";
import { readDay } from "./read-day.ts";

/** All that Today shows: the day as it lies, the jobs in hand by what they wait for, and what is due for a second look. */
export async function readToday(desk: AtDesk, longestMs?: number) {
  const read = await desk(readDay);
  const laid = await layDay(read, desk, longestMs);
  const { slips, looks, names, shop } = read;
  return {
    slips,
    looks,
    names,
    laid,
    hands: shop.people,
    hours: shop.hours,
    away: shop.away,
    holds: shop.holds,
    now: Date.parse(shop.now),
  };
}

export type TodayRead = Awaited<ReturnType<typeof readToday>>;
