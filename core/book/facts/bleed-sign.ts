import { IsIn } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import { SIGNS, type Sign } from "../../trade/bleed/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { sentence } from "./words.ts";

/** One of the signs that the air is out: seen, seen not to be so, or not seen after all. */
export class BleedSign {
  @IsIn(SIGNS, { message: "A sign that is known here." })
  sign: Sign;

  @IsIn(["pass", "fail", "not-seen"], { message: "So, not so, or not seen." })
  verdict: "pass" | "fail" | "not-seen";

  static readonly fact = "bleed-sign";
  static readonly version = 1;
  static readonly kinds = ["note"] as const;
  static readonly example: EntryDraft = {
    kind: "note",
    text: "heater blows hot",
    data: { fact: "bleed-sign", v: 1, sign: "heater", verdict: "pass" },
  };
  static words = ({ verdict }: BleedSign, entry: EntryDraft, system: System) =>
    sentence(entry, system, { verdict });
}
