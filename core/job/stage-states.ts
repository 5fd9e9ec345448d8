import { type Entry, openItems, STAGES, type Stage, standing } from "../ledger/index.ts";

export interface StageState {
  stage: Stage;
  /** `open` where something booked there waits to be put right; `done` where its own question is answered. */
  state: "untouched" | "under-way" | "done" | "open";
  openCount: number;
}

const answered = (entries: readonly Entry[], item: string) => entries.some((entry) => entry.item === item);

/** What has to be in the book for a stage to count as done. Sign is done only by signing. */
const IS_DONE: Record<Stage, (entries: readonly Entry[]) => boolean> = {
  ask: (entries) => answered(entries, "complaint") && answered(entries, "distance"),
  find: (entries) => entries.some((entry) => entry.data?.finding),
  plan: (entries) => entries.some((entry) => entry.data?.checkedPart || entry.data?.noParts),
  strip: (entries) =>
    entries.some((entry) => entry.stage === "strip" && entry.account !== "coolant" && (entry.out ?? 0) > 0),
  build: (entries) =>
    entries.some((entry) => entry.kind === "movement" && entry.account !== "coolant" && (entry.in ?? 0) > 0),
  fill: (entries) => entries.some((entry) => entry.account === "coolant" && (entry.in ?? 0) > 0),
  prove: (entries) => entries.some((entry) => entry.data?.logId),
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
    const done = IS_DONE[stage](counting);
    if (openCount > 0 && !(stage === "build" && !done)) return { stage, openCount, state: "open" };
    return { stage, openCount, state: done ? "done" : touched || openCount > 0 ? "under-way" : "untouched" };
  });
}
