import type { Entry } from "../../book/entry/index.ts";
import { Codes, CoolantLevel, factsOf, Gauge, Happens, lastFact, Trouble } from "../../book/facts/index.ts";
import type { Asked } from "../../trade/diagnosis/knowledge/index.ts";

const AFTER_WORK = "after-work";

/**
 * What Ask has heard, as far as it moves belief: the answer that stands for each question. Where the shop's own book of that work
 * is known, it says more than the owner's word that there was some, and is not weighed twice.
 */
export function askedOf(entries: readonly Entry[], knowsOfWork = false): Asked {
  const asked: Asked = {};
  const troubles = lastFact(entries, Trouble)?.fact.chips;
  if (troubles) asked.troubles = troubles;
  const happens = lastFact(entries, Happens)?.fact.chips;
  if (happens) asked.happens = knowsOfWork ? happens.filter((each) => each !== AFTER_WORK) : happens;
  const gauge = lastFact(entries, Gauge)?.fact.stood;
  if (gauge) asked.gauge = gauge;
  const codes = lastFact(entries, Codes)?.entry.text;
  if (codes) asked.codes = codes;
  const level = factsOf(entries, CoolantLevel).findLast(({ entry }) => entry.stage === "ask")?.fact.level;
  if (level) asked.level = level === "max" ? "line" : level;
  return asked;
}
