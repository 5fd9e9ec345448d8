import { ArrayMaxSize, ArrayMinSize, IsArray, IsString, Length } from "class-validator";
import type { EntryDraft } from "../book/index.ts";
import type { System } from "../units/index.ts";
import type { Loose } from "./fact.ts";
import { sentence } from "./words.ts";

/** When it happens, as the chips that were tapped. */
export class Happens {
  @IsArray()
  @ArrayMinSize(1, { message: "One at least." })
  @ArrayMaxSize(20, { message: "20 at most." })
  @IsString({ each: true })
  @Length(1, 60, { each: true, message: "Each in 1 to 60 letters." })
  chips: string[];

  static readonly fact = "happens";
  static readonly version = 1;
  static readonly kinds = ["reading"] as const;
  static readonly example: EntryDraft = {
    kind: "reading",
    item: "happens",
    text: "standing still",
    data: { fact: "happens", v: 1, chips: ["standing still"] },
  };
  static words = (_: Happens, entry: EntryDraft, system: System) => sentence(entry, system);

  static liftLoose = ({ chips }: Loose, entry: EntryDraft) => {
    const said = Array.isArray(chips) ? chips.filter((chip) => typeof chip === "string") : [];
    return entry.item === "happens" && said.length > 0 ? { chips: said } : undefined;
  };
}
