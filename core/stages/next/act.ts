import type { EntryDraft, Stage } from "../../book/entry/index.ts";
import type { Dimension } from "../../kernel/units/index.ts";

/** What is typed with an act: a figure in core units, or words. */
export type Field =
  | {
      kind: "figure";
      label: string;
      dimension: Dimension;
      least: number;
      most: number;
      /** What the program knows already, and from where. */
      known?: { value: number; from: string };
    }
  | { kind: "words"; label: string; most: number; known?: { value: string; from: string } };

/** What was typed: `figure` in core units. */
export interface Said {
  figure?: number;
  words?: string;
}

/** One way to book an act, by one tap. */
export interface Choice {
  id: string;
  words: string;
  /** The act's field has to be filled for it. */
  wants?: true;
  lines: (said: Said) => EntryDraft[];
}

/** What an act needs before it may be done. */
export interface Needs {
  /** `opened`: a cap comes off or a hose is loosened. `running`: the engine runs for it. */
  engine?: "cold" | "opened" | "running";
  /** Nothing that holds coolant may be off. */
  isTogether?: true;
  people: 1 | 2;
  tools: readonly string[];
}

/** One thing to do on a job now. */
export interface Act {
  /** The same for as long as it is the same thing to do. */
  id: string;
  stage: Stage;
  /** What to do, as one short order. */
  what: string;
  where?: string;
  why: string;
  minutes?: number;
  needs: Needs;
  caution?: string;
  /** ISO 8601: since when its clock has run out. */
  dueSince?: string;
  /** ISO 8601: it goes on until then, and is done after it. */
  until?: string;
  /** What it is of, as the book names it: what is awaited by that name is not here. */
  of?: readonly string[];
  /** It was begun, and hands are at it. */
  isInHand?: true;
  field?: Field;
  /** None of its choices is the expected one: somebody has to choose. */
  mustChoose?: true;
  /** What can be booked, what is expected first; none where it is only done at its stage. */
  choices: readonly Choice[];
}

/** Something that passes by itself. */
export interface Waiting {
  for: "hands" | "heat" | "parts" | "night" | "owner" | "clock";
  /** ISO 8601, where that is known. */
  until?: string;
  words: string;
}

/** What there is to do on a job. */
export interface Next {
  /** What can be done now, the one thing in hand first. */
  now: readonly Act[];
  waiting: readonly Waiting[];
  /** What comes after it, and can't be done yet. */
  then: readonly Act[];
}

export const ALONE: Needs = { people: 1, tools: [] };
