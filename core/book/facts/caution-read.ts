import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import type { Loose } from "./fact.ts";
import { sentence } from "./words.ts";

/** A caution was shown at its place and somebody said that they read it. */
export class CautionRead {
  static readonly fact = "caution-read";
  static readonly version = 1;
  static readonly kinds = ["caution"] as const;
  static readonly example: EntryDraft = {
    kind: "caution",
    text: "Never open a hot cap.",
    data: { fact: "caution-read", v: 1 },
  };
  static words = (_: CautionRead, entry: EntryDraft, system: System) => sentence(entry, system);

  static liftLoose = (_: Loose, entry: EntryDraft) =>
    entry.kind === "caution" && entry.text ? {} : undefined;
}
