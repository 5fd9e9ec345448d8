import { type Entry, standing } from "../../../core/ledger/index.ts";

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
  text?: string;
  value?: number;
  chips: string[];
}

/** What Ask has heard so far: the entry that counts for each question. */
export function answersOf(entries: readonly Entry[]): Partial<Record<Question, Answered>> {
  const answers: Partial<Record<Question, Answered>> = {};
  for (const { id, stage, item, text, value, data } of standing(entries)) {
    const question = QUESTIONS.find((each) => each === item);
    if (stage !== "ask" || !question) continue;
    const chips = Array.isArray(data?.chips) ? data.chips.filter((chip) => typeof chip === "string") : [];
    answers[question] = { id, text, value, chips };
  }
  return answers;
}
