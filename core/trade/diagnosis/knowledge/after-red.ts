import type { GaugeStood } from "./owners-words.ts";

/** What is booked or asked says that the engine was past what it should ever see. */
const TOO_HOT_CODE = /P0217/i;

/** Whether an overheat is told of: by the gauge, a code or a warm-up that boiled. */
export const isAfterRed = (
  asked: { gauge?: GaugeStood; codes?: string },
  evidence: readonly { test: string; outcome: string }[],
): boolean =>
  asked.gauge === "red" ||
  TOO_HOT_CODE.test(asked.codes ?? "") ||
  evidence.some(({ test, outcome }) => test === "warm-up" && outcome === "boils");
