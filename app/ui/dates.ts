const FORMS = {
  hour: { hour: "2-digit" },
  clock: { hour: "2-digit", minute: "2-digit" },
  day: { weekday: "short", day: "numeric", month: "short" },
  date: { day: "numeric", month: "short", year: "numeric" },
} as const satisfies Record<string, Intl.DateTimeFormatOptions>;

const formatters = new Map<string, Intl.DateTimeFormat>();

/** Making a formatter costs a thousand times what using one does, and a book shows thousands of times. */
function formatterOf(form: keyof typeof FORMS, timeZone: string): Intl.DateTimeFormat {
  const key = `${form} ${timeZone}`;
  const known = formatters.get(key);
  if (known) return known;
  const formatter = new Intl.DateTimeFormat("en-GB", { ...FORMS[form], timeZone });
  formatters.set(key, formatter);
  return formatter;
}

function shown(form: keyof typeof FORMS, iso: string, timeZone: string): string {
  const date = new Date(iso);
  return Number.isNaN(date.getTime()) ? "?" : formatterOf(form, timeZone).format(date);
}

/** Times in the shop's own zone. `en-GB` for its day-before-month and 24 hours, which is how the shop writes. */
export const clockOf = (iso: string, timeZone: string): string => shown("clock", iso, timeZone);
export const dayOf = (iso: string, timeZone: string): string => shown("day", iso, timeZone);
export const dateOf = (iso: string, timeZone: string): string => shown("date", iso, timeZone);

/** By the clock, with the day where it isn't today's. */
export function whenOf(iso: string, timeZone: string, now = Date.now()): string {
  const day = dayOf(iso, timeZone);
  const clock = clockOf(iso, timeZone);
  return day === dayOf(new Date(now).toISOString(), timeZone) ? clock : `${day}, ${clock}`;
}

/** The hour of the day by the shop's clock, 0 to 23. */
export const hourOf = (iso: string, timeZone: string): number =>
  Number.parseInt(shown("hour", iso, timeZone), 10);

const MINUTE_MS = 60_000;

/** How long from one moment to another, the way people say it. */
export function spanWords(fromIso: string, toMs: number): string {
  const minutes = Math.max(0, Math.round((toMs - new Date(fromIso).getTime()) / MINUTE_MS));
  if (minutes < 60) return `${minutes} min`;
  if (minutes < 48 * 60) return `${Math.round(minutes / 60)} h`;
  return `${Math.round(minutes / 1440)} days`;
}
