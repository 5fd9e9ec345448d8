import { IsIn, IsOptional, IsString, Length, Max, Min } from "class-validator";
import { format, type System } from "../../kernel/units/index.ts";
import { KINDS, type Kind } from "../../trade/coolant/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { coolantWords } from "./coolant-words.ts";
import type { Loose } from "./fact.ts";

/** What a share of nothing and of all is called. */
const MIXES: Readonly<Record<number, string>> = { 0: "water", 1: "concentrate" };

/** How strong the coolant is that moved: share of glycol or its like, 0 to 1. */
export class Strength {
  @Min(0, { message: "A share from 0 to 1." })
  @Max(1, { message: "A share from 0 to 1." })
  fraction: number;

  /** The coolant's name as its can has it; absent where nobody says. */
  @IsOptional()
  @IsString({ message: "A coolant's name." })
  @Length(1, 80, { message: "A coolant's name of at most 80 letters." })
  product?: string;

  /** What it is made of and what keeps the metal from rusting in it, where whoever poured it said so. */
  @IsOptional()
  @IsIn(["ethylene", "propylene"], { message: "ethylene or propylene." })
  base?: "ethylene" | "propylene";

  @IsOptional()
  @IsIn(KINDS, { message: "A kind of coolant." })
  kind?: Kind;

  static readonly fact = "strength";
  static readonly version = 1;
  static readonly kinds = ["movement"] as const;
  static readonly example: EntryDraft = {
    kind: "movement",
    account: "coolant",
    item: "poured",
    in: 4,
    unit: "L",
    data: { fact: "strength", v: 1, fraction: 0.5 },
  };
  static words = ({ fraction, product }: Strength, entry: EntryDraft, system: System) =>
    [coolantWords(entry, system), product, MIXES[fraction] ?? format(fraction, "fraction", system)]
      .filter(Boolean)
      .join(", ");
  static liftLoose = ({ fraction }: Loose) => (typeof fraction === "number" ? { fraction } : undefined);
}
