import type { System } from "../../units/index.ts";
import type { BalanceLine } from "../balance.ts";
import type { EntryDraft, Stage } from "../entry.ts";

export interface LineContext {
  /** What is out in this job: `stillOut(entries)`. */
  open: BalanceLine[];
  stage: Stage;
  system: System;
  /** Names this job or shop already uses beyond the trade's own words, lower case. */
  names?: string[];
  /** The book's entries by their number, for `correct 14 …` and `strike 14`. */
  book?: { seq: number; id: string; correctable: boolean; kind: EntryDraft["kind"] }[];
}

export interface Expectation {
  /** What would be right there, as a sentence without a full stop. */
  expected: string;
  /** Where in the line the trouble starts, from 0. */
  at: number;
}

export interface LineReading {
  entry: EntryDraft;
  /** Further entries of the same line, where one bag holds several kinds. */
  more: EntryDraft[];
  /** How the line was understood. */
  reading: string;
}
