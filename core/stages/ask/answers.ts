import type { Entry } from "../../book/entry/index.ts";
import {
  Codes,
  Complaint,
  CoolantLevel,
  Distance,
  type FactClass,
  factsOf,
  Gauge,
  Happens,
  lastFact,
  type Said,
  Trouble,
} from "../../book/facts/index.ts";

export const QUESTIONS = [
  "complaint",
  "distance",
  "trouble",
  "happens",
  "gauge",
  "coolant level",
  "codes",
] as const;
export type Question = (typeof QUESTIONS)[number];

export interface Answered {
  id: string;
  /** What it put right, the newest first: each comes back where the one that put it right is struck. */
  overrode: readonly string[];
  text?: string;
  value?: number;
  chips: string[];
}

/** The lines that a line put right, one after the other. */
function overriddenBy(entry: Entry, entries: readonly Entry[]): string[] {
  const before = entries.find(({ id }) => id === entry.corrects);
  return before ? [before.id, ...overriddenBy(before, entries)] : [];
}

/** What Ask has heard so far: the answer that stands for each question. */
export function answersOf(entries: readonly Entry[]): Partial<Record<Question, Answered>> {
  const answered = (said: Said<object> | undefined, chips: string[] = []): Answered | undefined =>
    said && {
      id: said.entry.id,
      overrode: overriddenBy(said.entry, entries),
      text: said.entry.text,
      value: said.entry.value,
      chips,
    };
  const plain = (kind: FactClass) => answered(lastFact(entries, kind));
  const chips = (kind: FactClass<Trouble | Happens>) => {
    const said = lastFact(entries, kind);
    return answered(said, said?.fact.chips);
  };
  const level = factsOf(entries, CoolantLevel).findLast(({ entry }) => entry.stage === "ask");
  const gauge = lastFact(entries, Gauge);
  const answers = {
    complaint: plain(Complaint),
    distance: plain(Distance),
    trouble: chips(Trouble),
    happens: chips(Happens),
    gauge: answered(gauge, gauge?.fact.stood ? [gauge.fact.stood] : []),
    "coolant level": answered(level, level ? [level.fact.level] : []),
    codes: plain(Codes),
  };
  return Object.fromEntries(Object.entries(answers).filter(([, answer]) => answer));
}
