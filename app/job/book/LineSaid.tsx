import type { Expectation, LineReading } from "../../../core/language/index.ts";
import { AfterPause } from "../../ui/Announcer.tsx";

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

/** How the line is read, or what is wanted in it. */
export function LineSaid({
  id,
  text,
  line,
  fallen,
  isSigned,
  isRefused,
  onChoose,
}: {
  id: string;
  text: string;
  line: LineReading | Expectation | undefined;
  /** What is wrong with the distance that it would book. */
  fallen: string | undefined;
  isSigned: boolean;
  isRefused: boolean;
  onChoose: (reading: LineReading) => void;
}) {
  const nothing = text.trim() !== "" ? NOT_READ_YET : isSigned ? ONLY_SIGNED : SAY;
  return (
    <>
      <div id={`${id}-reading`} className="min-h-6 text-sm leading-snug">
        {!line && <span className="text-ink-2">{nothing}</span>}
        {line &&
          "entry" in line &&
          (isRefused
            ? ONLY_CORRECTIONS
            : [line.reading, fallen, "Enter books it."].filter(Boolean).join(" "))}
        {line && "expected" in line && line.choices && <Choices choices={line.choices} onChoose={onChoose} />}
        {line && "expected" in line && !line.choices && (
          <Pointed text={text} at={line.at} expected={line.expected} />
        )}
      </div>
      <AfterPause text={line ? spoken(line, isRefused) : ""} />
    </>
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
