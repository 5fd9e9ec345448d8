import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import type { Loose } from "./fact.ts";
import { sentence } from "./words.ts";

/** The complaint, in the owner's words: the entry's own text. */
export class Complaint {
  static readonly fact = "complaint";
  static readonly version = 1;
  static readonly kinds = ["note"] as const;
  static readonly isOwners = true;
  static readonly example: EntryDraft = {
    kind: "note",
    item: "complaint",
    text: "Hot in the school queue, fan not heard",
    data: { fact: "complaint", v: 1 },
  };
  static words = (_: Complaint, entry: EntryDraft, system: System) => sentence(entry, system);

  static liftLoose = (_: Loose, entry: EntryDraft) =>
    entry.kind === "note" && entry.item === "complaint" && entry.text ? {} : undefined;
}
