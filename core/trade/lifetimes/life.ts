/** How long a part has lasted: until it failed, or until now (or until it left the shop's sight) while it still held. */
export interface Life {
  days: number;
  failed: boolean;
}

const MOST_DAYS = 100_000;

/** The lives in order of length. Throws `RangeError` on a length outside 0 to 100,000 days. */
export function inOrder(lives: readonly Life[]): Life[] {
  for (const { days } of lives)
    if (!(days >= 0 && days <= MOST_DAYS))
      throw new RangeError(`${days} days are no life of a part: 0 to ${MOST_DAYS} are.`);
  return [...lives].sort((a, b) => a.days - b.days);
}

/** Of lives in order: each length at which one failed, how many did, and how many were still in at that moment. */
export function failures(sorted: readonly Life[]): { days: number; failed: number; atRisk: number }[] {
  const rows: { days: number; failed: number; atRisk: number }[] = [];
  for (let from = 0; from < sorted.length; ) {
    const days = sorted[from]?.days ?? 0;
    let to = from;
    let failed = 0;
    while (to < sorted.length && sorted[to]?.days === days) {
      if (sorted[to]?.failed) failed++;
      to++;
    }
    if (failed > 0) rows.push({ days, failed, atRisk: sorted.length - from });
    from = to;
  }
  return rows;
}
