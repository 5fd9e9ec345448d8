import { ArrayMaxSize, ArrayMinSize, IsArray, IsString, Length } from "class-validator";
import type { EntryDraft } from "../book/index.ts";
import type { System } from "../units/index.ts";
import type { Loose } from "./fact.ts";
import { sentence } from "./words.ts";

/** What kind of trouble the owner has, as the chips that were tapped. */
export class Trouble {
  @IsArray()
  @ArrayMinSize(1, { message: "One at least." })
  @ArrayMaxSize(20, { message: "20 at most." })
  @IsString({ each: true })
  @Length(1, 60, { each: true, message: "Each in 1 to 60 letters." })
  chips: string[];

  static readonly fact = "trouble";
  static readonly version = 1;
  static readonly kinds = ["reading"] as const;
  static readonly example: EntryDraft = {
    kind: "reading",
    item: "trouble",
    text: "fan never runs",
    data: { fact: "trouble", v: 1, chips: ["fan never runs"] },
  };
  static words = (_: Trouble, entry: EntryDraft, system: System) => sentence(entry, system);

  static liftLoose = ({ chips }: Loose, entry: EntryDraft) => {
    const said = Array.isArray(chips) ? chips.filter((chip) => typeof chip === "string") : [];
    return entry.item === "trouble" && said.length > 0 ? { chips: said } : undefined;
  };
}
