/** Every judgement has three values: a thing not seen is neither good nor bad. */
export type Verdict = "pass" | "fail" | "not-seen";

/** As they are said and written everywhere. */
export const VERDICT_WORDS: Record<Verdict, string> = {
  pass: "pass",
  fail: "fail",
  "not-seen": "not seen",
};

export interface Judgement {
  verdict: Verdict;
  /** The figure found, in core units. */
  measured?: number;
  /** The figure wanted, in core units. */
  expected?: number;
  /** One plain sentence. */
  because: string;
}
