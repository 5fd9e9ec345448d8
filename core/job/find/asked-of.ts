import { type Asked, TROUBLES } from "../../diagnosis/knowledge/index.ts";
import { type Entry, standing } from "../../ledger/index.ts";

const strings = (value: unknown): string[] =>
  Array.isArray(value) ? value.filter((each): each is string => typeof each === "string") : [];

const LEVELS = ["line", "min", "low", "empty"] as const;

const AFTER_WORK = "after recent work";

/**
 * What Ask has heard, as far as it moves belief: the entry that counts for each question. Recent work that the shop's
 * books know of counts as if the owner had told of it.
 */
export function askedOf(entries: readonly Entry[], isAfterWork = false): Asked {
  const asked: Asked = {};
  for (const { stage, item, text, data } of standing(entries)) {
    if (stage !== "ask") continue;
    if (item === "trouble") {
      const said = strings(data?.chips);
      asked.troubles = Object.entries(TROUBLES).flatMap(([id, words]) => (said.includes(words) ? [id] : []));
    } else if (item === "happens") asked.happens = strings(data?.chips);
    else if (item === "gauge") asked.gauge = text;
    else if (item === "codes") asked.codes = text;
    else if (item === "coolant level") asked.level = LEVELS.find((level) => level === data?.level);
  }
  if (isAfterWork && !asked.happens?.includes(AFTER_WORK))
    asked.happens = [...(asked.happens ?? []), AFTER_WORK];
  return asked;
}
