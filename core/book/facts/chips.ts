import { ArrayMaxSize, ArrayMinSize, IsArray, IsString, Length } from "class-validator";
import type { EntryDraft } from "../entry/index.ts";
import type { Loose } from "./fact.ts";

/** What the facts have in common that are answered by tapping chips: the chips that were tapped. */
export class Chips {
  @IsArray()
  @ArrayMinSize(1, { message: "One at least." })
  @ArrayMaxSize(20, { message: "20 at most." })
  @IsString({ each: true })
  @Length(1, 60, { each: true, message: "Each in 1 to 60 letters." })
  chips: string[];
}

/** The chips of an entry from before facts had names, where it answers that question. */
export function looseChips({ chips }: Loose, entry: EntryDraft, question: string): Chips | undefined {
  const said = Array.isArray(chips) ? chips.filter((chip) => typeof chip === "string") : [];
  return entry.item === question && said.length > 0 ? { chips: said } : undefined;
}
