import { useCallback, useEffect, useRef, useState } from "react";
import { keepDraft, readDraft } from "./browser-store.ts";

/** Text that survives a reload until it is booked or emptied. */
export function useDraft(key: string): [string, (text: string) => void] {
  const [text, setText] = useState("");
  const isTouched = useRef(false);
  useEffect(() => {
    isTouched.current = false;
    let isCurrent = true;
    readDraft(key)
      .then((kept) => {
        if (isCurrent && !isTouched.current && typeof kept === "string") setText(kept);
      })
      .catch(() => undefined);
    return () => {
      isCurrent = false;
    };
  }, [key]);
  const change = useCallback(
    (next: string) => {
      isTouched.current = true;
      setText(next);
      keepDraft(key, next).catch(() => undefined);
    },
    [key],
  );
  return [text, change];
}
