import { useEffect, useState } from "react";
import { correctedIds, type Entry } from "../../../core/book/entry/index.ts";
import { factOf } from "../../../core/book/facts/index.ts";
import { useMember } from "../../desk/member.ts";
import type { JobContext } from "../stage/context.ts";

const OFFERED_MS = 60_000;
const LOOK_EVERY_MS = 5000;
const MOST_AT_ONCE = 50;

/** What was booked by one act: a bag that holds three kinds goes back in three lines at once. */
function lastAct(entries: readonly Entry[]): Entry[] {
  const last = entries.at(-1);
  if (!last) return [];
  const act: Entry[] = [];
  for (let index = entries.length - 1; index >= 0 && act.length < MOST_AT_ONCE; index--) {
    const entry = entries[index] as Entry;
    if (entry.at !== last.at || entry.by !== last.by) break;
    act.push(entry);
  }
  return act;
}

/** One tap that strikes what this person booked last, offered for a minute on the newest line. */
export function useUndo(context: JobContext): { lineId: string; undo: () => void } | undefined {
  const { entries, book, mayMend, parcels } = context;
  const { personId } = useMember();
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    setNow(Date.now());
    if (entries.length === 0) return;
    const timer = setInterval(() => setNow(Date.now()), LOOK_EVERY_MS);
    return () => clearInterval(timer);
  }, [entries]);
  const act = lastAct(entries);
  const [last] = act;
  if (!last || last.by !== personId || !act.every(mayMend)) return undefined;
  const age = now - new Date(last.at).getTime();
  const off = correctedIds(entries);
  const isFree = act.every(
    (entry) => !off.has(entry.id) && !parcels.has(entry.id) && !factOf(entry)?.kind.isServers,
  );
  if (!isFree || age > OFFERED_MS || age < -OFFERED_MS) return undefined;
  return {
    lineId: last.id,
    undo: () => {
      book(act.map((entry) => ({ kind: entry.kind, stage: entry.stage, corrects: entry.id })));
    },
  };
}
