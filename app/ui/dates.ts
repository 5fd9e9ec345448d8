/** Times in the shop's own zone. `en-GB` for its day-before-month and 24 hours, which is how the shop writes. */
export function clockOf(iso: string, timeZone: string): string {
  return new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit", timeZone }).format(
    new Date(iso),
  );
}

export function dayOf(iso: string, timeZone: string): string {
  return new Intl.DateTimeFormat("en-GB", {
    weekday: "short",
    day: "numeric",
    month: "short",
    timeZone,
  }).format(new Date(iso));
}

export function dateOf(iso: string, timeZone: string): string {
  return new Intl.DateTimeFormat("en-GB", {
    day: "numeric",
    month: "short",
    year: "numeric",
    timeZone,
  }).format(new Date(iso));
}

const MINUTE_MS = 60_000;

/** How long from one moment to another, the way people say it. */
export function spanWords(fromIso: string, toMs: number): string {
  const minutes = Math.max(0, Math.round((toMs - new Date(fromIso).getTime()) / MINUTE_MS));
  if (minutes < 60) return `${minutes} min`;
  if (minutes < 48 * 60) return `${Math.round(minutes / 60)} h`;
  return `${Math.round(minutes / 1440)} days`;
}
