import type { Mark } from "./trace.ts";

/** What a person's mark says of the engine; a mark that says nothing of it is none. */
export type Witness =
  | { kind: "fan-on" | "fan-off"; s: number; stage?: number }
  | { kind: "fan-none" | "hose-hot" | "heater-off" | "heater-on"; s: number };

/** What a mark of the bench begins with: it says what was done to a made-up car, and nothing that anybody heard. */
export const BENCH_SAYS = "bench: ";

/** What is said of the heater, which has a fan of its own; what comes after it in the same breath is of something else. */
const HEATER = /\bheater(?:'s)?(?: fan| blower)?\b(?:(?!\b(?:and|but|fans?)\b|[,;.]).)*/;
const FAN = /\bfans?\b/;
const HOSE_HOT = /\b(hose|radiator)\b.*\b(hot|warm)\b|\b(hot|warm)\b.*\bhose\b/;
const NONE = /\b(no|none|not|never|without)\b/;
const ON = /\b(on|runs?|running|starts?|started|cuts? in|kicks? in|came on|comes on)\b/;
const OFF = /\b(off|stops?|stopped|cuts? out|quits?)\b/;
const LOW = /\b(low|slow|1|one|first)\b/;
const HIGH = /\b(high|fast|2|two|second)\b/;

/** A person's marks as what they saw and heard, in order; `stages` is how many the card names. */
export function witnesses(marks: readonly Mark[], stages: number): Witness[] {
  return marks.flatMap(({ s, what }): Witness[] => {
    const said = what.toLowerCase();
    if (said.startsWith(BENCH_SAYS)) return [];
    const heater = HEATER.exec(said)?.[0] ?? "";
    const kind = OFF.test(heater) ? "heater-off" : ON.test(heater) ? "heater-on" : undefined;
    const ofHeater: Witness[] = kind && !NONE.test(heater) ? [{ kind, s }] : [];
    return [...ofHeater, ...ofFan(said.replace(HEATER, ""), s, stages)];
  });
}

function ofFan(words: string, s: number, stages: number): Witness[] {
  if (!FAN.test(words)) return HOSE_HOT.test(words) && !NONE.test(words) ? [{ kind: "hose-hot", s }] : [];
  if (NONE.test(words)) return [{ kind: "fan-none", s }];
  const kind = OFF.test(words) ? "fan-off" : ON.test(words) ? "fan-on" : undefined;
  if (!kind) return [];
  const stage = HIGH.test(words) ? 2 : LOW.test(words) || stages === 1 ? 1 : undefined;
  return [{ kind, s, ...(stage !== undefined && stage <= stages ? { stage } : {}) }];
}
