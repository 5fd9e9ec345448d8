import type { Expectation, LineReading } from "../../../core/language/index.ts";
import { AfterPause } from "../../ui/Announcer.tsx";

const SAY = "Say what went out, came in or was read.";
const ONLY_SIGNED = "Signed: only a correction can be booked, with why behind “because”.";
const NOT_READ_YET = "It is read in a moment.";
const ONLY_CORRECTIONS = "The job is signed: name the line to correct, such as correct 14 …";

const SEVERAL = "It can mean several things. Which?";
/** What is asked of a line that can't simply be booked: several meanings, or one that can hardly be meant. */
const askedOf = ({ expected, choices = [] }: Expectation) =>
  choices.length > 1 && expected.startsWith("which") ? SEVERAL : `Is that meant? Wanted: ${expected}.`;

/** How a line is read, as it is said once typing pauses. */
function spoken(line: LineReading | Expectation, isRefused: boolean): string {
  if (isRefused) return ONLY_CORRECTIONS;
  if ("entry" in line) return `${line.reading} Enter books it.`;
  return line.choices
    ? askedOf(line)
    : `Wanted there: ${line.expected}. Control and Enter keep it as a note.`;
}

/** How the line is read, or what is wanted in it. */
export function LineSaid({
  id,
  text,
  line,
  isSigned,
  isRefused,
  onChoose,
  onNote,
}: {
  id: string;
  text: string;
  line: LineReading | Expectation | undefined;
  isSigned: boolean;
  isRefused: boolean;
  onChoose: (reading: LineReading) => void;
  /** Keeps it as it was said; absent where it may not be. */
  onNote: (() => void) | undefined;
}) {
  const nothing = text.trim() !== "" ? NOT_READ_YET : isSigned ? ONLY_SIGNED : SAY;
  return (
    <>
      <div id={`${id}-reading`} className="min-h-6 text-sm leading-snug">
        {!line && <span className="text-ink-2">{nothing}</span>}
        {line && "entry" in line && (isRefused ? ONLY_CORRECTIONS : `${line.reading} Enter books it.`)}
        {line && "expected" in line && line.choices && (
          <Choices asked={askedOf(line)} choices={line.choices} onChoose={onChoose} />
        )}
        {line && "expected" in line && !line.choices && (
          <Pointed text={text} at={line.at} expected={line.expected} />
        )}
        {onNote && (
          <button
            type="button"
            className="mt-1 flex min-h-11 w-full items-center justify-between gap-3 rounded-md border border-edge px-3 text-left"
            onClick={onNote}
          >
            <span>Keep it as a note, as it stands</span>
            <kbd className="figure text-ink-2 text-sm max-sm:hidden">Ctrl Enter</kbd>
          </button>
        )}
      </div>
      <AfterPause text={line ? spoken(line, isRefused) : ""} />
    </>
  );
}

/** A line that can mean several things is asked about: one tap says which. */
function Choices({
  asked,
  choices,
  onChoose,
}: {
  asked: string;
  choices: LineReading[];
  onChoose: (reading: LineReading) => void;
}) {
  return (
    <span className="flex flex-col gap-1">
      <span className="font-bold">{asked}</span>
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
