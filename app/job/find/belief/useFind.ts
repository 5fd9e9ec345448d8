import { useDeferredValue, useEffect, useMemo, useState } from "react";
import type { Entry } from "../../../../core/book/entry/index.ts";
import {
  CannotTest,
  CoolantLevel,
  CoolantRead,
  FanCircuit,
  factOf,
  TestOutcome,
  TriedRepair,
  WarmUpLog,
} from "../../../../core/book/facts/index.ts";
import {
  type Belief,
  beliefOf,
  circuitOf,
  type FindState,
  quarterOf,
  verdictOffer,
} from "../../../../core/stages/find/index.ts";
import { findingOf } from "../../../../core/state/index.ts";
import type { FindRead } from "../../../../server/books/jobs/read-find.ts";
import { useJob } from "../../stage/context.ts";
import { doingsOf } from "../doings.ts";
import { usePlan } from "../usePlan.ts";

/** Entries that move what Find knows; typing bolts into the book does not think the plan over again. */
const MOVES = [TestOutcome, CannotTest, TriedRepair, FanCircuit, WarmUpLog, CoolantRead, CoolantLevel];
const matters = (entry: Entry) =>
  entry.stage === "ask" ||
  entry.corrects !== undefined ||
  entry.unit === "°C" ||
  MOVES.some((kind) => factOf(entry)?.fact instanceof kind);

const LOOKS_EVERY_MS = 60_000;

/** The quarter of an hour it is, in ISO 8601; from `given` on, so that what has cooled or is tomorrow comes back by itself. */
function useNow(given: string): string {
  const [now, setNow] = useState(given);
  useEffect(() => {
    const look = () => setNow(quarterOf(Date.now()));
    look();
    const timer = setInterval(look, LOOKS_EVERY_MS);
    return () => clearInterval(timer);
  }, []);
  return now;
}

/** Names the entries that Find goes by: while it stays the same there is nothing to think over. */
const movedBy = (entries: readonly Entry[]) =>
  entries
    .filter(matters)
    .map(({ id }) => id)
    .join();

/** What Find knows, and the ways to add to it. */
export function useFind({ histories, recent, notOnThisCar, now: given, planned }: FindRead) {
  const { page, entries: live, book, mayBook } = useJob();
  // The book shows a line at once; what it means to Find follows in slices, so that no tap is held up by it.
  const entries = useDeferredValue(live);
  const kind = circuitOf(entries, page.card?.circuit);
  const moved = movedBy(entries);
  const isBehind = entries !== live && movedBy(live) !== moved;
  const now = useNow(given);
  const comeback = recent?.comeback.hints;
  // biome-ignore lint/correctness/useExhaustiveDependencies: entries count by those that matter
  const belief = useMemo(
    (): Belief | undefined =>
      kind &&
      beliefOf(entries, kind, {
        history: histories[kind] ?? {},
        fanOnC: page.card?.fanOnC,
        fanSenses: page.card?.fanSenses,
        ...(comeback && { comeback }),
        notOnThisCar,
        now,
      }),
    [kind, moved, histories, comeback, notOnThisCar, now],
  );
  const { state, isThinking: isPlanning } = usePlan(belief, planned);
  const isThinking = isPlanning || isBehind;
  const finding = useMemo(() => findingOf(entries), [entries]);
  const offer = useMemo(() => state && verdictOffer(state), [state]);
  const doings = useMemo(() => doingsOf(book, belief, finding), [book, belief, finding]);
  return useMemo(
    () => ({ kind, state, now, isThinking, offer, finding, mayBook, ...doings }),
    [kind, state, now, isThinking, offer, finding, mayBook, doings],
  );
}

export type Find = ReturnType<typeof useFind>;
/** Find where the circuit is known. */
export type KnownFind = Find & { state: FindState };
