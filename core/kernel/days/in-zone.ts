import { TZDate } from "@date-fns/tz";

const WHEN =
  /^(\d{4})-(\d{2})-(\d{2})(?:[T ](\d{2}):(\d{2})(?::(\d{2})(?:\.\d{1,6})?)?)?\s*(Z|[+-]\d{2}:?\d{2})?$/i;
const NOON = 12;

/** The day that it is somewhere, such as 2031-03-06; `timeZone` by its IANA name. */
export function dayInZone(at: Date, timeZone: string): string {
  const there = new TZDate(at, timeZone);
  const two = (figure: number) => String(figure).padStart(2, "0");
  return `${there.getFullYear()}-${two(there.getMonth() + 1)}-${two(there.getDate())}`;
}

/**
 * The moment of a day, or of a day with a clock, as ISO 8601 writes it, in milliseconds; without a zone of its own it is
 * `timeZone`'s, without a clock it is noon. NaN where it is none. An hour that a clock skips is the one behind it.
 */
export function momentInZone(text: string, timeZone: string): number {
  const [whole, ...parts] = WHEN.exec(text) ?? [];
  const [year = 0, month = 0, day = 0] = parts.slice(0, 3).map(Number);
  const [hour = NOON, minute = 0, second = 0] = parts
    .slice(3, 6)
    .map((part) => (part ? Number(part) : undefined));
  const date = new Date(Date.UTC(year, month - 1, day));
  const isReal = whole && date.getUTCMonth() === month - 1 && date.getUTCDate() === day;
  if (!isReal || hour > 23 || minute > 59 || second > 59) return Number.NaN;
  const zone = parts[6];
  if (zone && parts[3] === undefined) return Number.NaN;
  return zone
    ? Date.parse(text.replace(" ", "T").replace(/\s+/g, ""))
    : new TZDate(year, month - 1, day, hour, minute, second, timeZone).getTime();
}
