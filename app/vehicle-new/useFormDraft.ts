import { type FormEvent, useEffect, useRef } from "react";
import { useNavigation } from "react-router";
import { useDraft } from "../drafts/useDraft.ts";

type Fields = Record<string, string>;
type Control = HTMLInputElement | HTMLSelectElement | HTMLTextAreaElement;

const NOTHING: Fields = {};

const controlsOf = (form: HTMLFormElement): Control[] =>
  [...form.querySelectorAll<Control>("input:not([type=hidden]), select, textarea")].filter(
    ({ name }) => name,
  );

/**
 * Keeps a half-filled form for the person who fills it in, until it is sent and taken. What is kept is what differs from
 * the form as it came, so that a card that somebody else has changed meanwhile shows their figures too.
 */
export function useFormDraft(key: string, isRefused: boolean) {
  const form = useRef<HTMLFormElement>(null);
  const [draft, setDraft] = useDraft<Fields>(key, NOTHING);
  const asItCame = useRef<Fields>(undefined);
  const isSent = useRef(false);
  const { state } = useNavigation();
  useEffect(() => {
    if (!form.current) return;
    const controls = controlsOf(form.current);
    asItCame.current ??= Object.fromEntries(controls.map(({ name, value }) => [name, value]));
    for (const control of controls) {
      const kept = draft[control.name];
      if (kept !== undefined && kept !== control.value) control.value = kept;
    }
  }, [draft]);
  useEffect(() => {
    if (isRefused && state === "idle") isSent.current = false;
  }, [isRefused, state]);
  const clear = useRef(() => setDraft(NOTHING));
  clear.current = () => setDraft(NOTHING);
  // Gone on to the page that it became: taken.
  useEffect(
    () => () => {
      if (isSent.current) clear.current();
    },
    [],
  );
  const keep = (event: FormEvent<HTMLFormElement>) => {
    const changed = controlsOf(event.currentTarget).filter(
      ({ name, value }) => value !== asItCame.current?.[name],
    );
    setDraft(Object.fromEntries(changed.map(({ name, value }) => [name, value])));
  };
  const sent = () => {
    isSent.current = true;
  };
  return { form, keep, sent };
}
