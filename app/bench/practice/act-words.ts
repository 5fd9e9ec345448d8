import { inShownTemperatures, type System } from "../../../core/kernel/units/index.ts";
import type { Verdict } from "../../../core/kernel/verdict/index.ts";
import {
  REPAIRS,
  type TestKnowledge,
  TROUBLES,
  testOf,
} from "../../../core/trade/diagnosis/knowledge/index.ts";
import type { Done, PracticeAct, PracticeRound } from "../../../core/trade/practice/index.ts";

export const repairName = (id: string): string => REPAIRS.find((each) => each.id === id)?.name ?? id;

const IDLE_TO_RPM = 1000;
export const runWords = (rpm: number): string => (rpm < IDLE_TO_RPM ? "Idle" : `${rpm} rpm`);
export const waitWords = (minutes: number): string => (minutes === 60 ? "an hour" : `${minutes} min`);

/** How a round ended, by its shape: one that was given up is neither. */
export const verdictOfRound = (isRight: boolean, ended: string | undefined): Verdict =>
  isRight ? "pass" : ended === "given-up" ? "not-seen" : "fail";

/** An act as one says it. */
export function actWords(act: PracticeAct): string {
  switch (act.do) {
    case "test":
      return testOf(act.id).name;
    case "run":
      return `${runWords(act.rpm)}, ${act.minutes} min`;
    case "wait":
      return `Stood ${waitWords(act.minutes)}`;
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
