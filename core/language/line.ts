import type { Entry, EntryDraft, Stage } from "../book/entry/index.ts";
import type { BalanceLine } from "../book/out/index.ts";
import type { System } from "../kernel/units/index.ts";
import type { CoolDown } from "../trade/bleed/index.ts";

export interface LineContext {
  /** What is out in this job: `stillOut(entries)`. */
  open: readonly BalanceLine[];
  stage: Stage;
  system: System;
  /** Names this job or shop already uses beyond the trade's own words, lower case. */
  names?: readonly string[];
  /** The book's entries by their number, for `correct 14 …` and `strike 14`; `stays` says why a line can't be struck. */
  book?: readonly {
    seq: number;
    id: string;
    correctable: boolean;
    kind: EntryDraft["kind"];
    stays?: string;
  }[];
  /** True once the job is signed: then a correction says why. */
  isSigned?: boolean;
  /** The book itself: a correction is read against the book without the line that it corrects. */
  entries?: readonly Entry[];
  /** The time now, ISO; absent where nobody says: then no line says what stood some minutes ago. */
  now?: string;
  /** What the system holds, litres: no line drains far more than that unasked. */
  capacityL?: number;
  /** What is wrong with a distance, km, that a line would book; absent where nobody can say. */
  distanceTrouble?: (km: number, corrects?: string) => string | undefined;
  /** Whether a cap may be opened or a hose loosened now; absent where nobody looked: then no line says that one was. */
  cap?: () => Pick<CoolDown, "safeNow" | "because">;
}

export interface Expectation {
  /** What would be right there, as a sentence without a full stop. */
  expected: string;
  /** Where in the line the trouble starts, from 0. */
  at: number;
  /** Where the line can mean several things, each of them whole; one where what it says is asked back: "52 L of 9.3?" */
  choices?: LineReading[];
}

/** A line to be; `at`, ISO, where it stood some time ago. */
export type LineDraft = EntryDraft & { at?: string };

export interface LineReading {
  entry: LineDraft;
  /** Further entries of the same line, where it names several things. */
  more: LineDraft[];
  /** How the line was understood. */
  reading: string;
}

/** What one way of reading makes of a line: entries, why not, or nothing where the line is not of its kind at all. */
export type Read = LineDraft[] | Expectation | undefined;

export const isExpectation = (read: Read): read is Expectation =>
  read !== undefined && !Array.isArray(read) && "expected" in read;
