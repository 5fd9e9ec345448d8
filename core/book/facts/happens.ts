import { ArrayMaxSize, ArrayMinSize, IsArray, IsIn } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import { HAPPENS, type HappensWhen } from "../../trade/diagnosis/knowledge/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { idsOfWords, looseChips } from "./chips.ts";
import type { Loose } from "./fact.ts";
import { sentence } from "./words.ts";

const fromWords = (said: unknown) => {
  const chips = idsOfWords(HAPPENS, said);
  return chips.length > 0 ? { chips } : undefined;
};

/** When it happens, by the ids of the chips that were tapped. */
export class Happens {
  @IsArray()
  @ArrayMinSize(1, { message: "One at least." })
  @ArrayMaxSize(20, { message: "20 at most." })
  @IsIn(Object.keys(HAPPENS), { each: true, message: "Something that is asked for here." })
  chips: HappensWhen[];

  static readonly fact = "happens";
  static readonly version = 2;
  static readonly kinds = ["reading"] as const;
  static readonly isOwners = true;
  static readonly example: EntryDraft = {
    kind: "reading",
    item: "happens",
    text: "standing still",
    data: { fact: "happens", v: 2, chips: ["standing"] },
  };
  static words = (_: Happens, entry: EntryDraft, system: System) => sentence(entry, system);
  static lift = ({ chips }: Loose): Loose | undefined => fromWords(chips);
  static liftLoose = (data: Loose, entry: EntryDraft): Loose | undefined =>
    fromWords(looseChips(data, entry, "happens"));
}
