const DAY_MS = 86_400_000;
const WRITTEN = /^(\d{4})-(\d{2})-(\d{2})$/;

/** True for a real day as ISO 8601 writes it, such as 2031-03-06, from 2000 to 2200. */
export function isDay(value: unknown): value is string {
  if (typeof value !== "string") return false;
  const [, year, month, day] = (WRITTEN.exec(value) ?? []).map(Number);
  if (!year || !month || !day || year < 2000 || year > 2200) return false;
  const date = new Date(Date.UTC(year, month - 1, day));
  return date.getUTCMonth() === month - 1 && date.getUTCDate() === day;
}

/**
 * The day so many days after another. Days carry no time of day, so no clock is ever put forward between them.
 * @throws RangeError for a day that is none
 */
export function addDays(day: string, days: number): string {
  if (!isDay(day)) throw new RangeError(`day ${JSON.stringify(day)} is none from 2000-01-01 to 2200-12-31`);
  return new Date(Date.parse(`${day}T00:00:00Z`) + Math.round(days) * DAY_MS).toISOString().slice(0, 10);
}

/** How many days from one day to another; negative where it lies before. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / DAY_MS);

const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sept", "Oct", "Nov", "Dec"];

/** A day as it is written in a sentence: 6 Mar 2031. */
export function dayWords(day: string): string {
  const [year = "", month = "", date = ""] = day.split("-");
  return `${Number(date)} ${MONTHS[Number(month) - 1] ?? month} ${year}`;
}
