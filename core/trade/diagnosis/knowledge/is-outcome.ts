import { testOf } from "./build-model.ts";

/** What a person saw where they can't be sure. It is no evidence, and the test is not offered again. */
export const UNSURE = "unsure";

/** Whether a test has such an outcome; what a person can send is checked by it. */
export function isOutcome(test: string, outcome: string): boolean {
  try {
    const { outcomes } = testOf(test);
    return outcome === UNSURE || outcomes.some(({ id }) => id === outcome);
  } catch {
    return false;
  }
}
