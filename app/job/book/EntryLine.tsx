import { type KeyboardEvent, useEffect, useId, useMemo, useRef, useState } from "react";
import { type Stage } from "../../../core/book/entry/index.ts";
import { Distance, factOf, lifted } from "../../../core/book/facts/index.ts";
import { stillOut } from "../../../core/book/out/index.ts";
import { type Expectation, type LineContext, type LineReading } from "../../../core/language/index.ts";
import { fallenDistance } from "../../../core/state/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { AfterPause } from "../../ui/Announcer.tsx";
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
});

const SAY = "Say what went out, came in or was read.";
const ONLY_SIGNED = "Signed: only a correction can be booked, with why behind “because”.";
const NOT_READ_YET = "It is read in a moment.";
const ONLY_CORRECTIONS = "The job is signed: name the line to correct, such as correct 14 …";

/** How a line is read, as it is said once typing pauses. */
function spoken(line: LineReading | Expectation, isRefused: boolean): string {
  if (isRefused) return ONLY_CORRECTIONS;
  if ("entry" in line) return `${line.reading} Enter books it.`;
  return line.choices ? "It can mean several things. Which?" : `Wanted there: ${line.expected}.`;
}

/** A line that was asked for by tapping an old one. */
export interface GivenLine {
  text: string;
  at: number;
}

/** What is wrong with the distance that a line would book, if it books one. */
const fallenIn = (entry: LineReading["entry"], { entries, page, system }: JobContext) =>
  factOf(lifted(entry))?.fact instanceof Distance && entry.value !== undefined
    ? fallenDistance(entries, page, { km: entry.value, corrects: entry.corrects }, system)
    : undefined;

/** The one-line entry: says how it reads what is typed, completes from what is open, books on Enter, guesses nothing. */
export function EntryLine({
  context,
  stage,
  given,
}: {
  context: JobContext;
  stage: Stage;
  given?: GivenLine;
}) {
  const { page, book, mayBook, ownSignature } = context;
  const id = useId();
  const input = useRef<HTMLInputElement>(null);
  const [text, setText] = useDraft(`line:${page.job.id}`);
  const [chosen, setChosen] = useState(-1);
  const isSigned = page.job.signedAt !== null;
  const isTyped = text.trim() !== "";
  const cap = useCap(context, isTyped);
  const reader = useMemo(() => contextOf(context, stage, isTyped, cap), [context, stage, isTyped, cap]);
  const language = lineReader.use();
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
  const isRefusedHere = isSigned && line && "entry" in line && !line.entry.corrects;
  const type = (next: string) => {
    setText(next);
    setChosen(-1);
  };
  const fallen = line && "entry" in line ? fallenIn(line.entry, context) : undefined;
  const submit = () => {
    if (isTyped && !language) asked.current = text;
    if (!line || "expected" in line || isRefusedHere) return;
    choose(line);
  };
  const choose = ({ entry, more }: LineReading) => {
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
      if (chosen >= 0 && offers[chosen]) type(offers[chosen]);
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
  if (!mayBook && !isSigned)
    return (
      <p className="border-rule border-t px-5 py-4 text-ink-2">
        {ownSignature
          ? "Signed here. Nothing more is booked until the server has it, or the signature is taken back on Sign."
          : "The front desk reads the book; technicians write in it."}
      </p>
    );
  return (
    <div className="border-rule border-t p-3">
      <div className="rounded-md border-2 border-ink bg-paper p-2 focus-within:outline-3 focus-within:outline-ink focus-within:outline-offset-1">
        {offers.length > 0 && (
          <div
            id={`${id}-offers`}
            role="listbox"
            aria-label="May become"
            className="mb-1 flex flex-wrap gap-1"
          >
            {offers.map((offer, index) => (
              <button
                key={offer}
                id={`${id}-offer-${index}`}
                type="button"
                role="option"
                aria-selected={index === chosen}
                tabIndex={-1}
                className={`figure min-h-11 rounded border px-3 text-sm ${index === chosen ? "border-ink bg-ink text-paper" : "border-edge"}`}
                onClick={() => {
                  type(offer);
                  input.current?.focus();
                }}
              >
                {offer}
              </button>
            ))}
          </div>
        )}
        <div className="flex items-center gap-2">
          <span aria-hidden="true" className="figure text-ink-2 text-lg">
            /
          </span>
          <input
            ref={input}
            data-entry-line
            role="combobox"
            aria-label="Entry line"
            aria-expanded={offers.length > 0}
            aria-controls={offers.length > 0 ? `${id}-offers` : undefined}
            aria-activedescendant={chosen >= 0 ? `${id}-offer-${chosen}` : undefined}
            aria-describedby={`${id}-reading`}
            aria-autocomplete="list"
            aria-busy={!language}
            className="figure min-h-12 w-full min-w-0 bg-transparent text-lg outline-none"
            maxLength={300}
            autoComplete="off"
            autoCapitalize="none"
            spellCheck={false}
            enterKeyHint="done"
            value={text}
            placeholder={isSigned ? "correct 14 …" : "out 3 m6x20 bag 2"}
            onChange={(event) => type(event.target.value)}
            onKeyDown={press}
          />
          {line && "entry" in line && !isRefusedHere && (
            <button
              type="button"
              className="min-h-12 shrink-0 rounded-md bg-ink px-3 font-bold text-paper"
              onClick={submit}
            >
              Book it
            </button>
          )}
        </div>
        {aside !== "" && (
          <button
            type="button"
            className="min-h-11 text-left text-sm underline underline-offset-4"
            onClick={giveBack}
          >
            Leave the correction, back to: <span className="figure">{aside}</span>
          </button>
        )}
        <div id={`${id}-reading`} className="min-h-6 text-sm leading-snug">
          {!line && (
            <span className="text-ink-2">{isTyped ? NOT_READ_YET : isSigned ? ONLY_SIGNED : SAY}</span>
          )}
          {line &&
            "entry" in line &&
            (isRefusedHere
              ? ONLY_CORRECTIONS
              : [line.reading, fallen?.words, "Enter books it."].filter(Boolean).join(" "))}
          {line && "expected" in line && line.choices && <Choices choices={line.choices} onChoose={choose} />}
          {line && "expected" in line && !line.choices && (
            <Pointed text={text} at={line.at} expected={line.expected} />
          )}
        </div>
        <AfterPause text={line ? spoken(line, isRefusedHere === true) : ""} />
      </div>
    </div>
  );
}

/** A line that can mean several things is asked about: one tap says which. */
function Choices({
  choices,
  onChoose,
}: {
  choices: LineReading[];
  onChoose: (reading: LineReading) => void;
}) {
  return (
    <span className="flex flex-col gap-1">
      <span className="font-bold">It can mean several things. Which?</span>
      {choices.map((choice) => (
        <button
          key={choice.reading}
          type="button"
          className="min-h-12 rounded-md border-2 border-ink px-3 text-left"
          onClick={() => onChoose(choice)}
        >
          {choice.reading}
        </button>
      ))}
    </span>
  );
}

/** The line again with the first word that can't be placed underlined, and what would be right there. */
function Pointed({ text, at, expected }: { text: string; at: number; expected: string }) {
  const end = text.slice(at).search(/\s/);
  const word = text.slice(at, end < 0 ? undefined : at + end);
  return (
    <>
      <span className="figure block whitespace-pre-wrap break-words">
        {text.slice(0, at)}
        <mark className="border-ink border-b-2 bg-wash font-bold text-ink">{word || "␣"}</mark>
        {word ? text.slice(at + word.length) : ""}
      </span>
      <span className="font-bold">Wanted there:</span> {expected}.
    </>
  );
}
