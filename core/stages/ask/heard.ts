import {
  complained,
  ranDistance,
  readCodes,
  saidHappens,
  saidTrouble,
  sawGauge,
  sawLevel,
  struck,
} from "../../book/acts/index.ts";
import type { EntryDraft } from "../../book/entry/index.ts";
import type { GaugeStood, HappensWhen, Trouble } from "../../trade/diagnosis/knowledge/index.ts";
import type { Answered, Question } from "./answers.ts";

/** The levels that can be told through a tank with its cap shut. */
export const ASKED_LEVELS = ["line", "min", "low", "empty"] as const;

/**
 * What was heard and is not in the book yet. A question that isn't named was not touched; chips that were emptied are taken back, a
 * text that was emptied says nothing.
 */
export interface Heard {
  complaint?: string;
  distanceKm?: number | undefined;
  codes?: string;
  trouble?: readonly Trouble[] | undefined;
  happens?: readonly HappensWhen[] | undefined;
  gauge?: GaugeStood | "" | undefined;
  level?: (typeof ASKED_LEVELS)[number] | "" | undefined;
}

const sorted = (chips: readonly string[] = []) => [...chips].sort().join();

/** The lines that what was heard comes to beside the answers that stand: new ones, corrections of those, and strikes of what isn't said any more. */
export function linesHeard(heard: Heard, answers: Partial<Record<Question, Answered>>): EntryDraft[] {
  const lines: EntryDraft[] = [];
  const put = (question: Question, draft: EntryDraft, isSame: boolean) => {
    const before = answers[question];
    if (!isSame) lines.push(before ? { ...draft, corrects: before.id } : draft);
  };
  const chips = <Chip extends string>(
    question: Question,
    said: readonly Chip[] | undefined,
    draft: (chips: Chip[]) => EntryDraft,
  ) => {
    const before = answers[question];
    if (said && said.length > 0) put(question, draft([...said]), sorted(said) === sorted(before?.chips));
    else if (said && before)
      for (const id of [before.id, ...before.overrode]) lines.push(struck(id, "reading"));
  };
  const one = <Chip extends string>(said: Chip | "" | undefined) =>
    said === undefined ? undefined : said ? [said] : [];
  const complaint = heard.complaint?.trim() ?? "";
  if (complaint) put("complaint", complained(complaint), complaint === answers.complaint?.text);
  const { distanceKm } = heard;
  if (distanceKm !== undefined)
    put("distance", ranDistance(distanceKm), distanceKm === answers.distance?.value);
  chips("trouble", heard.trouble, saidTrouble);
  chips("happens", heard.happens, saidHappens);
  chips("gauge", one(heard.gauge), ([stood]) => sawGauge(stood as GaugeStood));
  chips("coolant level", one(heard.level), ([level]) => sawLevel(level as (typeof ASKED_LEVELS)[number]));
  const codes = heard.codes?.trim() ?? "";
  if (codes) put("codes", readCodes(codes), codes === answers.codes?.text);
  return lines;
}
