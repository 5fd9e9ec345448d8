import { useEffect, useRef } from "react";
import type { Entry } from "../../../core/book/entry/index.ts";
import type { Unsent } from "../../outbox/outbox.ts";

/** One thing ticked by two people is one tick: whoever was second is told whose it is. */
export function useWhoWasFirst(
  names: Readonly<Record<string, string>>,
  entries: readonly Entry[],
  booked: readonly Unsent[],
  personId: string,
  tell: (notice: string) => void,
): void {
  const told = useRef(new Set<string>());
  useEffect(() => {
    const byId = new Map(entries.map((entry) => [entry.id, entry.by]));
    for (const { entry } of booked) {
      const by = byId.get(entry.id);
      if (!by || by === personId || told.current.has(entry.id)) continue;
      told.current.add(entry.id);
      tell(`${names[by] ?? "Somebody else"} was first: it is ticked once.`);
    }
  }, [names, entries, booked, personId, tell]);
}
