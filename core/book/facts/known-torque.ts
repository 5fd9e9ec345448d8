import { IsNumber, Max, Min } from "class-validator";
import { format, type System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { sentence } from "./words.ts";

/** How tight something of this vehicle goes by its maker's book; the entry's item names it. */
export class KnownTorque {
  @IsNumber({ allowNaN: false, allowInfinity: false }, { message: "A torque in N·m." })
  @Min(0.5, { message: "A torque from 0.5 N·m." })
  @Max(400, { message: "A torque of at most 400 N·m." })
  nm: number;

  static readonly fact = "known-torque";
  static readonly version = 1;
  static readonly kinds = ["note"] as const;
  static readonly example: EntryDraft = {
    kind: "note",
    item: "radiator bracket",
    data: { fact: "known-torque", v: 1, nm: 22 },
  };
  static words = ({ nm }: KnownTorque, entry: EntryDraft, system: System) =>
    sentence(entry, system, { tail: `${format(nm, "torque", system)} by the maker's book` });
}
