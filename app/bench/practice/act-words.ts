import { inShownTemperatures, type System } from "../../../core/kernel/units/index.ts";
import {
  REPAIRS,
  type TestKnowledge,
  TROUBLES,
  testOf,
} from "../../../core/trade/diagnosis/knowledge/index.ts";
import type { Done, PracticeAct, PracticeRound } from "../../../core/trade/practice/index.ts";

export const repairName = (id: string): string => REPAIRS.find((each) => each.id === id)?.name ?? id;

/** An act as one says it. */
export function actWords(act: PracticeAct): string {
  switch (act.do) {
    case "test":
      return testOf(act.id).name;
    case "run":
      return `${act.rpm < 1000 ? "Idle" : `${act.rpm} rpm`}, ${act.minutes} min`;
    case "wait":
      return `Stood ${act.minutes < 60 ? `${act.minutes} min` : "an hour"}`;
    case "night":
      return "Stood the night";
    case "repair":
      return repairName(act.id);
    case "give-up":
      return "Given up";
  }
}

const outcomeOf = ({ act, outcome }: Done) =>
  act.do === "test" ? testOf(act.id).outcomes.find(({ id }) => id === outcome) : undefined;

/** What came of it, as one says it. */
export const cameWords = (done: Done, system: System): string =>
  inShownTemperatures([outcomeOf(done)?.name, done.words].filter((each) => each).join(". "), system);

export const verdictOf = (done: Done) => outcomeOf(done)?.verdict;

/** A moment of the round: which day, and the hours and minutes since the car came in. */
export function momentWords(minute: number): string {
  const hours = Math.floor(minute / 60);
  const minutes = Math.floor(minute % 60);
  return `${hours}:${String(minutes).padStart(2, "0")}`;
}

/** What its owner says now. */
export const saidNow = (round: PracticeRound): string => TROUBLES[round.trouble];

/** In the order in which a shop would look for them: cold and standing, then from cold, then hot. */
export const GROUPS: { name: string; has: (test: TestKnowledge) => boolean }[] = [
  { name: "Engine cold", has: ({ engine }) => engine === "cold" },
  { name: "Cold or hot", has: ({ engine }) => engine === undefined },
  { name: "Warming up from cold", has: ({ engine }) => engine === "heats" },
  { name: "Engine hot", has: ({ engine }) => engine === "hot" },
];
