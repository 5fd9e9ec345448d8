import { IsIn, IsOptional, Max, Min } from "class-validator";
import { format, type System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";

/** What an instrument reads of the mix that is in a system: true until the next litre moves. */
export class MixRead {
  @Min(0, { message: "A share from 0 to 1." })
  @Max(1, { message: "A share from 0 to 1." })
  fraction: number;

  /** The glycol that it was read as; absent where nobody says. */
  @IsOptional()
  @IsIn(["ethylene", "propylene"], { message: "ethylene or propylene." })
  base?: "ethylene" | "propylene";

  static readonly fact = "mix-read";
  static readonly version = 1;
  static readonly kinds = ["reading"] as const;
  static readonly example: EntryDraft = {
    kind: "reading",
    item: "coolant strength",
    text: "by instrument",
    data: { fact: "mix-read", v: 1, fraction: 0.42, base: "ethylene" },
  };
  static words = ({ fraction }: MixRead, entry: EntryDraft, system: System) =>
    `Coolant strength: ${format(fraction, "fraction", system)}${entry.text ? `, ${entry.text}` : ""}`;
}
