import { type KeyboardEvent, useEffect, useMemo, useRef, useState } from "react";
import { noted } from "../../../core/book/acts/index.ts";
import type { Stage } from "../../../core/book/entry/index.ts";
import { stillOut } from "../../../core/book/out/index.ts";
import type { LineContext, LineReading } from "../../../core/language/index.ts";
import { fallenDistance } from "../../../core/state/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { later } from "../../ui/later.ts";
import { useCap } from "../cap/useEngine.ts";
import type { JobContext } from "../stage/context.ts";

/** The entry language comes after the page: a line is read and tapped long before it is typed in. */
const lineReader = later(() => import("./line-reader.ts"));

const WORD = /[a-zà-ÿ][\wà-ÿ-]*/gi;

/** Names this book has used already: they need no quotes a second time. */
function namesUsed({ entries }: JobContext): string[] {
  const used = entries.flatMap((entry) => [
    entry.item ?? "",
    entry.place ?? "",
    entry.text && entry.kind === "movement" ? entry.text : "",
  ]);
  return [...new Set(used.flatMap((text) => text.toLowerCase().match(WORD) ?? []))];
}

const contextOf = (
  context: JobContext,
  stage: Stage,
  isTyped: boolean,
  cap: LineContext["cap"],
): LineContext => ({
  open: stillOut(context.entries),
  stage,
  system: context.system,
  names: isTyped ? namesUsed(context) : [],
  entries: context.entries,
  isSigned: context.page.job.signedAt !== null,
  cap,
  get now() {
    return new Date().toISOString();
  },
  ...(context.page.card && { capacityL: context.page.card.capacityL }),
  distanceTrouble: (km, corrects) =>
    fallenDistance(context.entries, context.page, { km, corrects }, context.system)?.words,
});

/** A line that was asked for by tapping an old one. */
export interface GivenLine {
  text: string;
  at: number;
}

/** What is typed in the entry line, how it is read, and what its keys do. */
export function useEntryLine(context: JobContext, stage: Stage, given?: GivenLine) {
  const { page, book } = context;
  const input = useRef<HTMLInputElement>(null);
  const [text, setText] = useDraft(`line:${page.job.id}`);
  const [chosen, setChosen] = useState(-1);
  const isSigned = page.job.signedAt !== null;
  const isTyped = text.trim() !== "";
  const cap = useCap(context, isTyped);
  const reader = useMemo(() => contextOf(context, stage, isTyped, cap), [context, stage, isTyped, cap]);
  // Fetched as somebody comes to type, or once the page is at rest.
  const [isAt, setAt] = useState(false);
  const language = lineReader.use(isAt || isTyped);
  const offers = useMemo(() => language?.completeLine(text, reader) ?? [], [language, text, reader]);
  const line = useMemo(
    () => (isTyped ? language?.readLine(text, reader) : undefined),
    [language, text, reader, isTyped],
  );
  // What stood half written when an old line was tapped: kept, and put back once the correction is booked or given up.
  const [aside, setAside] = useDraft(`line-aside:${page.job.id}`);
  const taken = useRef(0);
  // Enter was pressed before the language was here: the line is booked as soon as it can be read, if it still stands.
  const asked = useRef<string>(undefined);
  useEffect(() => {
    if (!given || given.at === taken.current) return;
    taken.current = given.at;
    if (text.trim() !== "" && !/^correct \d+ *$/.test(text)) setAside(text);
    setText(given.text);
    input.current?.focus();
  }, [given, text, setText, setAside]);
  const giveBack = () => {
    setText(aside);
    setAside("");
    setChosen(-1);
    input.current?.focus();
  };
  const isRefusedHere = Boolean(isSigned && line && "entry" in line && !line.entry.corrects);
  const type = (next: string) => {
    setText(next);
    setChosen(-1);
  };
  const submit = () => {
    if (isTyped && !language) asked.current = text;
    if (!line || "expected" in line || isRefusedHere) return;
    // Read once more: what it says of some minutes ago counts from the booking, not from when it was typed.
    const now = language?.readLine(text, reader);
    choose(now && "entry" in now ? now : line);
  };
  /** What can't be read is kept as it was said. */
  const mayNote = !isSigned && line !== undefined && "expected" in line && !line.choices;
  const keepAsNote = () => {
    if (!mayNote || !book([noted(text.trim())])) return;
    type(aside);
    setAside("");
  };
  const choose = ({ entry, more }: LineReading) => {
    if (isSigned && !entry.corrects) return;
    if (!book([entry, ...more])) return;
    type(aside);
    setAside("");
  };
  useEffect(() => {
    if (!language || asked.current === undefined) return;
    const isStillThat = asked.current === text;
    asked.current = undefined;
    if (isStillThat) submit();
  });
  const press = (event: KeyboardEvent<HTMLInputElement>) => {
    const offer = offers[chosen] ?? offers[0];
    if (event.key === "Enter") {
      event.preventDefault();
      if (event.repeat) return;
      if ((event.ctrlKey || event.metaKey) && mayNote) keepAsNote();
      else if (chosen >= 0 && offers[chosen]) type(offers[chosen]);
      else submit();
    } else if (event.key === "ArrowDown" && offers.length > 0) {
      event.preventDefault();
      setChosen((chosen + 1) % offers.length);
    } else if (event.key === "ArrowUp" && offers.length > 0) {
      event.preventDefault();
      setChosen((chosen + offers.length - 1) % offers.length);
    } else if (event.key === "Tab" && !event.shiftKey && offer) {
      event.preventDefault();
      type(offer);
    } else if (event.key === "Escape") {
      setChosen(-1);
      if (aside !== "") giveBack();
      else input.current?.blur();
    }
  };
  /** Takes what is offered, as tapping it does. */
  const take = (offer: string) => {
    type(offer);
    input.current?.focus();
  };
  return {
    ...{ input, text, line, offers, chosen, aside, isSigned, isTyped, isRefusedHere },
    isReady: language !== undefined,
    come: () => setAt(true),
    ...{ type, take, submit, choose, press, giveBack, mayNote, keepAsNote },
  };
}
