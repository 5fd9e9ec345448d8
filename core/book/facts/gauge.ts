import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import type { Loose } from "./fact.ts";
import { sentence } from "./words.ts";

/** Where the dash gauge stood, a poor witness: the entry's own text. */
export class Gauge {
  static readonly fact = "gauge";
  static readonly version = 1;
  static readonly kinds = ["reading"] as const;
  static readonly example: EntryDraft = {
    kind: "reading",
    item: "gauge",
    text: "three quarters",
    data: { fact: "gauge", v: 1 },
  };
  static words = (_: Gauge, entry: EntryDraft, system: System) => sentence(entry, system);

  static liftLoose = (_: Loose, entry: EntryDraft) =>
    entry.kind === "reading" && (entry.stage ?? "ask") === "ask" && entry.item === "gauge" && entry.text
      ? {}
      : undefined;
}
