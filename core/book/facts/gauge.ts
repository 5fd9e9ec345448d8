import { IsIn, IsOptional } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import { GAUGES, type GaugeStood } from "../../trade/diagnosis/knowledge/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { idsOfWords } from "./chips.ts";
import type { Loose } from "./fact.ts";
import { sentence } from "./words.ts";

const stoodAt = (text: string | undefined): { stood?: GaugeStood } => {
  const [stood] = idsOfWords(GAUGES, [text]);
  return stood ? { stood } : {};
};

/** Where the dash gauge stood, a poor witness; in words of one's own where it stood nowhere that is known here. */
export class Gauge {
  @IsOptional()
  @IsIn(Object.keys(GAUGES), { message: "Where a gauge can stand." })
  stood?: GaugeStood;

  static readonly fact = "gauge";
  static readonly version = 2;
  static readonly kinds = ["reading"] as const;
  static readonly isOwners = true;
  static readonly example: EntryDraft = {
    kind: "reading",
    item: "gauge",
    text: "three quarters",
    data: { fact: "gauge", v: 2, stood: "three-quarters" },
  };
  static words = (_: Gauge, entry: EntryDraft, system: System) => sentence(entry, system);

  static lift = (_: Loose, __: number, entry: EntryDraft) => stoodAt(entry.text);
  static liftLoose = (_: Loose, entry: EntryDraft) =>
    entry.kind === "reading" && (entry.stage ?? "ask") === "ask" && entry.item === "gauge" && entry.text
      ? stoodAt(entry.text)
      : undefined;
}
