import { isPlain } from "../../kernel/plain/index.ts";

/** What one does with a car in practice. */
export type PracticeAct =
  | { do: "test"; id: string }
  /** The engine runs standing, somebody beside it. */
  | { do: "run"; rpm: number; minutes: number }
  /** The engine is off, and the car stands. */
  | { do: "wait"; minutes: number }
  | { do: "night" }
  | { do: "repair"; id: string }
  | { do: "give-up" };

/** More than anybody does with one car; and so that no round takes long to play again. */
export const MOST_ACTS = 100;
/** So many of somebody's rounds are shown, the newest, and so many kept. */
export const MOST_ROUNDS = 200;
export const MOST_KEPT = 5000;
export const RUN_MINUTES: readonly number[] = [2, 5];
export const RUN_RPM: readonly number[] = [800, 2500];
export const WAIT_MINUTES: readonly number[] = [10, 60];

function readAct(given: unknown): PracticeAct {
  if (isPlain(given)) {
    const { do: what, id, rpm, minutes } = given;
    if (what === "night" || what === "give-up") return { do: what };
    if ((what === "test" || what === "repair") && typeof id === "string" && id.length <= 40)
      return { do: what, id };
    if (what === "wait" && WAIT_MINUTES.includes(minutes as number))
      return { do: what, minutes: minutes as number };
    if (what === "run" && RUN_RPM.includes(rpm as number) && RUN_MINUTES.includes(minutes as number))
      return { do: what, rpm: rpm as number, minutes: minutes as number };
  }
  throw new RangeError("That is nothing one does in a round of practice.");
}

/** The acts of a round as they were sent or kept. Throws a RangeError for what is none, and for too many. */
export function readActs(given: unknown): PracticeAct[] {
  if (!Array.isArray(given)) throw new RangeError("The acts of a round are a list.");
  if (given.length > MOST_ACTS) throw new RangeError(`A round of ${given.length} acts: ${MOST_ACTS} can be.`);
  return given.map(readAct);
}
