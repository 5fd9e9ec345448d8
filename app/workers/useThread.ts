import { useCallback, useEffect, useRef } from "react";
import type { Thread } from "./thread.ts";

/**
 * A thread of the part's own, closed as the part goes; opened as it is first asked, or `atOnce`, where it has to warm up. `open` is
 * the same function at every drawing.
 */
export function useThread<Work>(open: () => Thread<Work>, { atOnce = false } = {}): Thread<Work>["ask"] {
  const thread = useRef<Thread<Work>>(undefined);
  useEffect(() => {
    if (atOnce) thread.current ??= open();
    return () => {
      thread.current?.close();
      thread.current = undefined;
    };
  }, [open, atOnce]);
  return useCallback<Thread<Work>["ask"]>(
    (call) => {
      thread.current ??= open();
      return thread.current.ask(call);
    },
    [open],
  );
}
