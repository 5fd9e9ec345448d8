import { CANNOT_WORDS, type CannotBecause } from "../../../core/book/facts/index.ts";
import type { KeyDoing } from "../../keys/key-registry.ts";

/** Under the left hand, in the order of the buttons; clear of the keys that go places. */
const KEYS: readonly string[] = ["a", "s", "d", "f", "q", "w", "e", "r"];
export const NOT_SURE_KEY = "z";
/** Why a test can't be done here, with its key. */
export const CANNOT: readonly { key: string; reason: string; why: CannotBecause }[] = [
  { key: "x", why: "tool" as const },
  { key: "c", why: "time" as const },
  { key: "v", why: "car" as const },
  { key: "b", why: "hot" as const },
].map(({ key, why }) => ({ key, why, reason: CANNOT_WORDS[why] }));

export const keyFor = (index: number): string => KEYS[index] ?? "";

interface Doings {
  outcomes: readonly { name: string; act: () => void }[];
  unsure: () => void;
  cannot: (why: CannotBecause) => void;
}

/** The keys of a test's answers; they act while focus is in its card. */
export function answerKeys({ outcomes, unsure, cannot }: Doings): KeyDoing[] {
  return [
    ...outcomes.map(({ name, act }, index) => ({ key: keyFor(index), what: name, act })),
    { key: NOT_SURE_KEY, what: "not sure", act: unsure },
    ...CANNOT.map(({ key, reason, why }) => ({
      key,
      what: `can't do here: ${reason}`,
      act: () => cannot(why),
    })),
  ];
}
