import isSame from "fast-deep-equal/es6";
import { useRef } from "react";

/**
 * The list as it is now, made of the last one's own items where they say the same, and the last list itself where all do:
 * what is drawn from an item, or from the list, need not be drawn again for having been read once more.
 */
export function sharedEach<Item extends { id: string }>(
  last: readonly Item[],
  next: readonly Item[],
): readonly Item[] {
  if (last === next) return last;
  const known = new Map(last.map((item) => [item.id, item]));
  let isChanged = last.length !== next.length;
  const shared = next.map((item, index) => {
    const before = known.get(item.id);
    const kept = before !== undefined && isSame(before, item) ? before : item;
    isChanged ||= kept !== last[index];
    return kept;
  });
  return isChanged ? shared : last;
}

/** A list with names to its items, the same list for as long as it says the same. */
export function useSharedEach<Item extends { id: string }>(next: readonly Item[]): readonly Item[] {
  const last = useRef(next);
  last.current = sharedEach(last.current, next);
  return last.current;
}

/** A value, the same one for as long as it says the same. */
export function useShared<Value>(next: Value): Value {
  const last = useRef(next);
  if (!isSame(last.current, next)) last.current = next;
  return last.current;
}
