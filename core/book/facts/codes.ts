import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import type { Loose } from "./fact.ts";
import { sentence } from "./words.ts";

/** Codes as the reader shows them: the entry's own text. */
export class Codes {
  static readonly fact = "codes";
  static readonly version = 1;
  static readonly kinds = ["reading"] as const;
  static readonly example: EntryDraft = {
    kind: "reading",
    item: "codes",
    text: "P0217",
    data: { fact: "codes", v: 1 },
  };
  static words = (_: Codes, entry: EntryDraft, system: System) => sentence(entry, system);

  static liftLoose = (_: Loose, entry: EntryDraft) =>
    entry.kind === "reading" && (entry.stage ?? "ask") === "ask" && entry.item === "codes" && entry.text
      ? {}
      : undefined;
}
