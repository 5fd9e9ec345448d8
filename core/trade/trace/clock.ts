import { MOST_CELL_LETTERS } from "../../kernel/csv/index.ts";

const CLOCK =
  /^(?:(.*?)[T ,])?(\d{1,3}):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?\s*(am|pm)?(?:Z|[+-]\d{2}:?\d{2})?$/i;
const ISO_DATE = /^(\d{4})-(\d{2})-(\d{2})$/;

export interface ClockTime {
  /** The date as written, or empty. */
  date: string;
  /** Days since 1970 for an ISO date. */
  day?: number;
  secondOfDay: number;
}

/** A time of day with or without a date before it; undefined where the cell holds none. */
export function clockAt(cell: string): ClockTime | undefined {
  if (cell.length > MOST_CELL_LETTERS) return undefined;
  const match = CLOCK.exec(cell.replaceAll('"', "").trim());
  if (!match) return undefined;
  const [, date = "", hours, minutes, seconds = "0", half] = match;
  const iso = ISO_DATE.exec(date.trim());
  const hour = half ? (Number(hours) % 12) + (half.toLowerCase() === "pm" ? 12 : 0) : Number(hours);
  return {
    date: date.trim(),
    day: iso ? Date.UTC(Number(iso[1]), Number(iso[2]) - 1, Number(iso[3])) / 86_400_000 : undefined,
    secondOfDay: hour * 3600 + Number(minutes) * 60 + Number(seconds.replace(",", ".")),
  };
}
