import { ArrayMaxSize, ArrayMinSize, IsArray, IsIn } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import { TROUBLES, type Trouble as TroubleId } from "../../trade/diagnosis/knowledge/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { idsOfWords, looseChips } from "./chips.ts";
import type { Loose } from "./fact.ts";
import { sentence } from "./words.ts";

const fromWords = (said: unknown) => {
  const chips = idsOfWords(TROUBLES, said);
  return chips.length > 0 ? { chips } : undefined;
};

/** What kind of trouble the owner has, by the ids of the chips that were tapped. */
export class Trouble {
  @IsArray()
  @ArrayMinSize(1, { message: "One at least." })
  @ArrayMaxSize(20, { message: "20 at most." })
  @IsIn(Object.keys(TROUBLES), { each: true, message: "Something that is asked for here." })
  chips: TroubleId[];

  static readonly fact = "trouble";
  static readonly version = 2;
  static readonly kinds = ["reading"] as const;
  static readonly isOwners = true;
  static readonly example: EntryDraft = {
    kind: "reading",
    item: "trouble",
    text: "fan never runs",
    data: { fact: "trouble", v: 2, chips: ["fan-never"] },
  };
  static words = (_: Trouble, entry: EntryDraft, system: System) => sentence(entry, system);
  static lift = ({ chips }: Loose): Loose | undefined => fromWords(chips);
  static liftLoose = (data: Loose, entry: EntryDraft): Loose | undefined =>
    fromWords(looseChips(data, entry, "trouble"));
}
