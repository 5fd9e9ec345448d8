import { IsIn, IsInt, IsNumber, IsOptional, Max, Min } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import { SCHOOLS, type School } from "../../trade/bleed/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { sentence } from "./words.ts";

/** A step of bleeding that starts, ends, or is stopped at once; its clock runs from the entry's own time. */
export class BleedStep {
  @IsIn(SCHOOLS, { message: "A school of bleeding that is known here." })
  school: School;

  @IsInt({ message: "A step, counted from 0." })
  @Min(0, { message: "A step, counted from 0." })
  @Max(20, { message: "A step, 20 at most." })
  step: number;

  @IsIn(["starts", "ends", "stops"], { message: "It starts, ends, or stops." })
  does: "starts" | "ends" | "stops";

  @IsOptional()
  @IsNumber({ allowNaN: false, allowInfinity: false }, { message: "Minutes from 1 to 240." })
  @Min(1, { message: "Minutes from 1 to 240." })
  @Max(240, { message: "Minutes from 1 to 240." })
  minutes?: number;

  static readonly fact = "bleed-step";
  static readonly version = 1;
  static readonly kinds = ["decision"] as const;
  static readonly example: EntryDraft = {
    kind: "decision",
    item: "bleeding, open cap",
    text: "warm-up begun, 12 min",
    data: { fact: "bleed-step", v: 1, school: "open-cap", step: 1, does: "starts", minutes: 12 },
  };
  static words = (_: BleedStep, entry: EntryDraft, system: System) => sentence(entry, system);
}
