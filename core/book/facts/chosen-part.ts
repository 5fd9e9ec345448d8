import { IsIn, IsInt, IsOptional, IsString, Length, Max, Min } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import { GRADES, type Grade } from "../../trade/sourcing/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import type { Loose } from "./fact.ts";
import { sentence } from "./words.ts";

/** A part that was chosen for the job: the entry's own item and place. */
export class ChosenPart {
  @IsIn(GRADES, { message: "Choose the grade." })
  grade: Grade;

  @IsString()
  @Length(1, 80, { message: "The supplier, 1 to 80 letters." })
  supplier: string;

  /** Why this one, in the words of whoever chose it. */
  @IsOptional()
  @IsString()
  @Length(1, 300, { message: "Why this one, 1 to 300 letters." })
  because?: string;

  /** In minor units of the shop's currency. */
  @IsOptional()
  @IsInt({ message: "The price is a whole figure of minor units." })
  @Min(1, { message: "A price of 0 is no price." })
  @Max(1_000_000_000, { message: "The price is more than any part costs." })
  priceCents?: number;

  /** For so long the supplier answers for the part, and for the work of fitting it. */
  @IsOptional()
  @IsInt({ message: "Whole days of guarantee." })
  @Min(0, { message: "Days of guarantee from 0 up." })
  @Max(3650, { message: "At most ten years of guarantee." })
  partDays?: number;

  @IsOptional()
  @IsInt({ message: "Whole days of guarantee." })
  @Min(0, { message: "Days of guarantee from 0 up." })
  @Max(3650, { message: "At most ten years of guarantee." })
  labourDays?: number;

  static readonly fact = "chosen-part";
  static readonly version = 2;
  static readonly kinds = ["decision"] as const;
  static readonly example: EntryDraft = {
    kind: "decision",
    item: "radiator",
    text: "pattern, Tansy & Rudge",
    data: {
      fact: "chosen-part",
      v: 2,
      grade: "pattern",
      supplier: "Tansy & Rudge",
      because: "an easy job, and the owner knows",
      priceCents: 14_900,
      partDays: 365,
      labourDays: 0,
    },
  };
  static words = (_: ChosenPart, entry: EntryDraft, system: System) => sentence(entry, system);

  /** The first version had grade and supplier alone. */
  static lift = (older: Loose) => older;
  static liftLoose = ({ chosenPart, grade, supplier }: Loose) =>
    chosenPart ? { grade: grade ?? "pattern", supplier: supplier ?? "not said" } : undefined;
}
