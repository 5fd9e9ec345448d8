export interface FitLine {
  what: string;
  verdict: "same" | "adapt" | "stop" | "not-seen";
  old: string;
  new: string;
  /** What to do about it; absent where it is the same. */
  remedy?: string;
  extraMinutes: number;
  /** What has to be bought for it. */
  part?: string;
}

/** A ruler held against a core. */
export const RULER_MM = 3;
/** A slotted bracket takes up so much. */
export const SLOT_MM = 6;

export const unseen = (what: string, old: string | undefined, made: string | undefined): FitLine => ({
  what,
  verdict: "not-seen",
  old: old ?? "not measured",
  new: made ?? "not measured",
  remedy: `Measure ${what} on ${old === undefined ? (made === undefined ? "both" : "the old one") : "the new one"}.`,
  extraMinutes: 0,
});

export type Judged = Pick<FitLine, "verdict" | "remedy" | "extraMinutes" | "part">;
export const SAME: Judged = { verdict: "same", extraMinutes: 0 };
export const adapt = (remedy: string, extraMinutes: number, part?: string): Judged => ({
  verdict: "adapt",
  remedy,
  extraMinutes,
  ...(part ? { part } : {}),
});
/** Known in part: what isn't measured is no reason to call it the same. */
export const notYet = (remedy: string): Judged => ({ verdict: "not-seen", remedy, extraMinutes: 0 });
export const stop = (remedy: string): Judged => ({ verdict: "stop", remedy, extraMinutes: 0 });

/** One attribute of both, judged where both are known. */
export function line<Value>(
  what: string,
  old: Value | undefined,
  made: Value | undefined,
  say: (value: Value) => string,
  judge: (old: Value, made: Value) => Judged,
): FitLine[] {
  if (old === undefined && made === undefined) return [];
  const [oldWords, newWords] = [old, made].map((value) => (value === undefined ? undefined : say(value)));
  if (old === undefined || made === undefined) return [unseen(what, oldWords, newWords)];
  return [{ what, old: oldWords ?? "", new: newWords ?? "", ...judge(old, made) }];
}
