import type { DayAct } from "./day.ts";

/** An act as it is laid: where it stands in the whole list, and what it comes after there. */
export interface Task {
  index: number;
  job: number;
  act: DayAct;
  after: readonly number[];
  /** Whose hands it has if it can, as an act that stands in the whole list. */
  same?: number;
}

/** What an act's beginning waited for, beyond its own work. */
export type Bound = "work" | "people" | "lift";

export interface Laid {
  places: readonly (Place | undefined)[];
  because: (string | undefined)[];
  /** When each job ends: its last act, or the day's closing where one of them is left out. */
  ends: readonly number[];
  cost: number;
  /** What the search compares: work left out, then cost and what moved. */
  worth: number;
  moved: number;
}

/** One way to lay the day. */
export interface Genes {
  /** In which order acts are taken; each behind what it comes after. */
  order: number[];
  /** Who is asked for each act before anybody else, by place among the people; -1 nobody. */
  asked: Int8Array;
  /** Whether an act goes behind all that its person has so far, or into a gap before. */
  isLast: Uint8Array;
  /** Whether an act stays where it was. */
  stays: Uint8Array;
}

export interface Place {
  who: number[];
  start: number;
  lift?: number;
  bound: Bound;
  /** Minutes from when its own work would let it begin. */
  waited?: number;
}
