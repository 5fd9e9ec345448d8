import { type RefObject, useEffect, useRef } from "react";

/** Whether the focus went into this part last: still so where what had it is gone, which a browser forgets. */
export function useHadFocus(part: RefObject<HTMLElement | null>): RefObject<boolean> {
  const had = useRef(false);
  useEffect(() => {
    const note = ({ target }: FocusEvent) => {
      had.current = part.current?.contains(target as Node) ?? false;
    };
    document.addEventListener("focusin", note);
    return () => document.removeEventListener("focusin", note);
  }, [part]);
  return had;
}
