import { IsBoolean, IsNumber, IsOptional, Max, Min } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { sentence } from "./words.ts";

/** A gauge on the system under pressure, the entry's own figure in kPa; the first of a test says so. */
export class PressureRead {
  @IsOptional()
  @IsBoolean({ message: "The first of a test, or not." })
  begins?: boolean;

  /** °C, as read beside it. */
  @IsOptional()
  @IsNumber({ allowNaN: false, allowInfinity: false }, { message: "A temperature in °C." })
  @Min(-40, { message: "From −40 °C." })
  @Max(150, { message: "At most 150 °C." })
  coolantC?: number;

  static readonly fact = "pressure-read";
  static readonly version = 1;
  static readonly kinds = ["reading"] as const;
  static readonly example: EntryDraft = {
    kind: "reading",
    item: "pressure test",
    value: 108,
    unit: "kPa",
    data: { fact: "pressure-read", v: 1, begins: true, coolantC: 21 },
  };
  static words = (_: PressureRead, entry: EntryDraft, system: System) => sentence(entry, system);
}
