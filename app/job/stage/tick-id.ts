import { v5 } from "uuid";
import { type Entry, type EntryDraft } from "../../../core/book/entry/index.ts";
import { factOf, StepBack, StepDone } from "../../../core/book/facts/index.ts";
import { balanceKey } from "../../../core/book/out/index.ts";

const TICKS = "0d1f5f5e-5a53-4c0e-9a38-2c9f2f0c6f31";

/** The id of a tick is told by what it ticks: two taps, or two people's, are one entry. */
export const tickId = (...what: (string | number)[]): string => v5(what.join(":"), TICKS);

/**
 * The tick of a thing of which there is one: the same for everybody who sees the same book, another one once it has
 * moved since or its tick was struck.
 */
export function moveTick(jobId: string, entries: readonly Entry[], draft: EntryDraft): string {
  const key = balanceKey(draft);
  const moves = entries.filter((entry) => entry.kind === "movement" && balanceKey(entry) === key);
  const ids = new Set(moves.map(({ id }) => id));
  const corrections = entries.filter(({ corrects }) => corrects && ids.has(corrects));
  return tickId(
    jobId,
    draft.out === undefined ? "in" : "out",
    key,
    draft.in ?? draft.out ?? 0,
    moves.length,
    corrections.length,
  );
}

/** The tick of something said once, such as a caution read: another one once it was struck. */
export const sayTick = (
  jobId: string,
  entries: readonly Entry[],
  what: string,
  isIt: (entry: Entry) => boolean,
) => tickId(jobId, what, entries.filter(isIt).length);

/**
 * The ids of what one tap books, where it is the same for whoever taps it: a step with all that goes with it, a thing that goes out
 * or in. The others, litres alone and what is read or said, are booked as often as they are said.
 */
export function tickIds(
  jobId: string,
  entries: readonly Entry[],
  drafts: readonly EntryDraft[],
): (string | undefined)[] {
  const isStep = drafts.some((draft) =>
    [StepDone, StepBack].some((kind) => factOf(draft)?.fact instanceof kind),
  );
  return drafts.map((draft) => {
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
    return draft.kind === "movement" && (isStep || draft.account !== "coolant") && !draft.corrects
      ? moveTick(jobId, entries, draft)
      : undefined;
  });
}
