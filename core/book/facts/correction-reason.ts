import { IsString, Length } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { sentence } from "./words.ts";

/** Why a line of a signed job was corrected: the entry's own text. Names the line that was wrong. */
export class CorrectionReason {
  @IsString()
  @Length(1, 40, { message: "The id of the line that was wrong." })
  line: string;

  static readonly fact = "correction-reason";
  static readonly version = 1;
  static readonly kinds = ["note"] as const;
  static readonly isOwners = true;
  static readonly example: EntryDraft = {
    kind: "note",
    item: "corrected because",
    text: "the jug's scale was read in quarts",
    data: { fact: "correction-reason", v: 1, line: "0d9bdf5c-6c0e-4d6e-9f86-0a8f0f6f1a11" },
  };
  /** A signed job takes corrections, and why they were made. */
  static readonly isAfterwards = true;
  static words = (_: CorrectionReason, entry: EntryDraft, system: System) => sentence(entry, system);
}
