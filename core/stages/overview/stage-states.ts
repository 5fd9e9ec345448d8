import { type Entry, STAGES, type Stage, standing } from "../../book/entry/index.ts";
import {
  CheckedPart,
  Complaint,
  Distance,
  type FactClass,
  Finding,
  factsOf,
  NoParts,
  WarmUpLog,
} from "../../book/facts/index.ts";
import { openItems } from "../../state/index.ts";

export interface StageState {
  stage: Stage;
  /** `open` where something booked there waits to be put right; `done` where its own question is answered. */
  state: "untouched" | "under-way" | "done" | "open";
  openCount: number;
}

const says = (entries: readonly Entry[], fact: FactClass) => factsOf(entries, fact).length > 0;

const moves = (entries: readonly Entry[], direction: "out" | "in", isCoolant: boolean, stage?: Stage) =>
  standing(entries).some(
    (entry) =>
      entry.kind === "movement" &&
      (entry.account === "coolant") === isCoolant &&
      (!stage || entry.stage === stage) &&
      (entry[direction] ?? 0) > 0,
  );

/** What has to be in the book for a stage to count as done. Sign is done only by signing. */
const IS_DONE: Record<Stage, (entries: readonly Entry[]) => boolean> = {
  ask: (entries) => says(entries, Complaint) && says(entries, Distance),
  find: (entries) => says(entries, Finding),
  plan: (entries) => says(entries, CheckedPart) || says(entries, NoParts),
  strip: (entries) => moves(entries, "out", false, "strip"),
  build: (entries) => moves(entries, "in", false),
  fill: (entries) => moves(entries, "in", true),
  prove: (entries) => says(entries, WarmUpLog),
  sign: () => false,
};

/** The state of each of the eight stages, told from the book alone. */
export function stageStates(entries: readonly Entry[], isSigned: boolean): StageState[] {
  const counting = standing(entries);
  const open = openItems(entries);
  return STAGES.map((stage) => {
    const openCount = open.filter((item) => item.stage === stage).length;
    const touched = counting.some((entry) => entry.stage === stage);
    if (stage === "sign")
      return { stage, openCount, state: isSigned ? "done" : touched ? "under-way" : "untouched" };
    const done = IS_DONE[stage](entries);
    if (openCount > 0 && !(stage === "build" && !done)) return { stage, openCount, state: "open" };
    return { stage, openCount, state: done ? "done" : touched || openCount > 0 ? "under-way" : "untouched" };
  });
}
