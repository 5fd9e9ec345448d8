import type { Entry, EntryDraft } from "../../../core/book/entry/index.ts";
import { factOf, StepBack, StepDone } from "../../../core/book/facts/index.ts";
import { moveTick, sayTick } from "../stage/tick-id.ts";

/**
 * The ids of what one tap books, where it is the same for whoever taps it: a step, a thing that goes out or in. The others, litres and
 * what is read or said, are booked as often as they are said.
 */
export const handIds = (
  jobId: string,
  entries: readonly Entry[],
  drafts: readonly EntryDraft[],
): (string | undefined)[] =>
  drafts.map((draft) => {
    const said = factOf(draft)?.fact;
    if (said instanceof StepDone)
      return sayTick(jobId, entries, `step:${said.step}`, (entry) => {
        const fact = factOf(entry)?.fact;
        return fact instanceof StepDone && fact.step === said.step;
      });
    if (said instanceof StepBack)
      return sayTick(jobId, entries, `back:${said.done}`, (entry) => {
        const fact = factOf(entry)?.fact;
        return fact instanceof StepBack && fact.done === said.done;
      });
    return draft.kind === "movement" && draft.account !== "coolant" && !draft.corrects
      ? moveTick(jobId, entries, draft)
      : undefined;
  });
