import { IsIn, IsString, Length } from "class-validator";
import type { EntryDraft } from "../book/index.ts";
import type { System } from "../units/index.ts";
import type { Loose } from "./fact.ts";
import { sentence } from "./words.ts";

export const GRADES = ["maker's", "pattern", "all-metal", "used"] as const;
export type Grade = (typeof GRADES)[number];

/** A part that was chosen for the job: the entry's own item and place. */
export class ChosenPart {
  @IsIn(GRADES, { message: "Choose the grade." })
  grade: Grade;

  @IsString()
  @Length(1, 80, { message: "The supplier, 1 to 80 letters." })
  supplier: string;

  static readonly fact = "chosen-part";
  static readonly version = 1;
  static readonly kinds = ["decision"] as const;
  static readonly example: EntryDraft = {
    kind: "decision",
    item: "radiator",
    text: "pattern, Tansy & Rudge",
    data: { fact: "chosen-part", v: 1, grade: "pattern", supplier: "Tansy & Rudge" },
  };
  static words = (_: ChosenPart, entry: EntryDraft, system: System) => sentence(entry, system);

  static liftLoose = ({ chosenPart, grade, supplier }: Loose) =>
    chosenPart ? { grade: grade ?? "pattern", supplier: supplier ?? "not said" } : undefined;
}
