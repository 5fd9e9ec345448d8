import { IsIn } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import { UPPER_HOSES, type UpperHose } from "../../trade/bleed/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { sentence } from "./words.ts";

export const HOSE_WORDS = {
  "soft-and-cool": "soft and cool to the hand",
  "hard-or-hot": "hard or hot to the hand",
} as const satisfies Record<UpperHose, string>;

/** The upper hose as the hand found it: the second witness, beside a reading, of whether a cap may be opened. */
export class HoseFelt {
  @IsIn(UPPER_HOSES, { message: "soft-and-cool or hard-or-hot." })
  upper: UpperHose;

  static readonly fact = "hose-felt";
  static readonly version = 1;
  static readonly kinds = ["reading"] as const;
  static readonly example: EntryDraft = {
    kind: "reading",
    item: "upper hose",
    text: HOSE_WORDS["soft-and-cool"],
    data: { fact: "hose-felt", v: 1, upper: "soft-and-cool" },
  };
  static words = (_: HoseFelt, entry: EntryDraft, system: System) => sentence(entry, system);
}
