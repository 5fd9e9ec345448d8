/** Of each day of a week, of each of five weeks, of each of twelve months the newest is kept. */
const KEPT = { days: 7, weeks: 5, months: 12 };
const NAME = /^warm-ledger-(\d{4}-\d\d-\d\d)T(\d\d)(\d\d)(\d\d)Z\.dump$/;
const DAY_MS = 86_400_000;

export const backupName = (at: Date): string =>
  `warm-ledger-${at.toISOString().slice(0, 19).replaceAll(":", "")}Z.dump`;

/** When a backup was taken, by its name; nothing where the file is none of ours. */
export function takenAt(name: string): Date | undefined {
  const match = NAME.exec(name);
  if (!match) return undefined;
  const [, day, hour, minute, second] = match;
  const at = new Date(`${day}T${hour}:${minute}:${second}Z`);
  return Number.isNaN(at.getTime()) ? undefined : at;
}

/** Counted from a Monday. */
const weekOf = (at: Date) => Math.floor((at.getTime() / DAY_MS + 3) / 7);

/** Which of these files are over: all but the newest of the latest days, weeks and months that have any. Files of other names stay. */
export function outlived(names: readonly string[]): string[] {
  const ours = names
    .flatMap((name) => {
      const at = takenAt(name);
      return at ? [{ name, at }] : [];
    })
    .sort((a, b) => b.at.getTime() - a.at.getTime());
  const kept = new Set<string>();
  const keep = (of: (at: Date) => string | number, most: number) => {
    const seen = new Set<string | number>();
    for (const { name, at } of ours) {
      if (seen.size === most && !seen.has(of(at))) break;
      if (!seen.has(of(at))) kept.add(name);
      seen.add(of(at));
    }
  };
  keep((at) => at.toISOString().slice(0, 10), KEPT.days);
  keep(weekOf, KEPT.weeks);
  keep((at) => at.toISOString().slice(0, 7), KEPT.months);
  return ours.map(({ name }) => name).filter((name) => !kept.has(name));
}
