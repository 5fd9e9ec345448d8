/** Every judgement has three values: a thing not seen is neither good nor bad. */
export type Verdict = "pass" | "fail" | "not-seen";

export interface Judgement {
  verdict: Verdict;
  /** The figure found, in core units. */
  measured?: number;
  /** The figure wanted, in core units. */
  expected?: number;
  /** One plain sentence. */
  because: string;
}
