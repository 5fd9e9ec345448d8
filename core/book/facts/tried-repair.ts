import { IsString, Length } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { sentence } from "./words.ts";

/** A repair was tried and the trouble stayed: what it mends is ruled out. */
export class TriedRepair {
  @IsString()
  @Length(1, 40, { message: "A repair that is known here." })
  repair: string;

  static readonly fact = "tried-repair";
  static readonly version = 1;
  static readonly kinds = ["decision"] as const;
  static readonly example: EntryDraft = {
    kind: "decision",
    item: "New thermal switch",
    text: "tried, the trouble stayed",
    data: { fact: "tried-repair", v: 1, repair: "switch" },
  };
  static words = (_: TriedRepair, entry: EntryDraft, system: System) => sentence(entry, system);
}
