import { useCallback, useEffect, useRef, useState } from "react";
import { useMember } from "../desk/member.ts";
import { keepDraft, readDraft } from "./draft-store.ts";

/** What was typed in this tab, so that going from stage to stage shows it at once. */
const atHand = new Map<string, unknown>();

const isEmpty = (value: unknown, empty: unknown) =>
  value === undefined || value === "" || JSON.stringify(value) === JSON.stringify(empty);

/**
 * Something half written that survives a change of stage, a reload and other people's turns at this browser, until it
 * is booked or cleared. It belongs to the person who is signed in: nobody is shown another's. `empty` is what it is
 * while nothing is written, no letters where it isn't given; the value is kept whole, so that it may be any plain data.
 */
export function useDraft<Value = string>(
  key: string,
  ...given: [empty?: Value]
): [Value, (value: Value) => void] {
  const empty = (given.length > 0 ? given[0] : "") as Value;
  const { personId } = useMember();
  const name = `${personId} ${key}`;
  const [draft, setDraft] = useState({ name, value: (atHand.get(name) as Value | undefined) ?? empty });
  const isTouched = useRef(false);
  const nothing = useRef(empty);
  // Another job's or another person's: what was shown is not theirs.
  const value =
    draft.name === name ? draft.value : ((atHand.get(name) as Value | undefined) ?? nothing.current);
  useEffect(() => {
    isTouched.current = false;
    let isCurrent = true;
    readDraft(name)
      .then((kept) => {
        if (!isCurrent || isTouched.current || kept === undefined || atHand.has(name)) return;
        atHand.set(name, kept);
        setDraft({ name, value: kept as Value });
      })
      .catch(() => undefined);
    return () => {
      isCurrent = false;
    };
  }, [name]);
  const change = useCallback(
    (next: Value) => {
      isTouched.current = true;
      setDraft({ name, value: next });
      atHand.set(name, next);
      keepDraft(name, isEmpty(next, nothing.current) ? undefined : next).catch(() => undefined);
    },
    [name],
  );
  return [value, change];
}
