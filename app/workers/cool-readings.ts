import { type CoolReading, readingsOf } from "../../core/trade/bleed/index.ts";
import { readTrace } from "../../core/trade/trace/index.ts";

/** A cool-down's log as readings; nothing where it can't be read. Runs in a worker. */
export function coolReadings(
  text: string,
  given: { endedAtS: number; sinceS: number },
): CoolReading[] | undefined {
  const { trace } = readTrace(text);
  return trace && readingsOf(trace, given);
}
