import { IsIn, IsString, Length } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { sentence } from "./words.ts";

/** Something looked at as the car goes together: right, or not. What nobody looked at is in no line. */
export class FitCheck {
  @IsString()
  @Length(1, 40, { message: "A check that is known here." })
  check: string;

  @IsIn(["pass", "fail"], { message: "Right, or not." })
  verdict: "pass" | "fail";

  static readonly fact = "fit-check";
  static readonly version = 1;
  static readonly kinds = ["note"] as const;
  static readonly example: EntryDraft = {
    kind: "note",
    text: "fan run: it pulls toward the engine",
    data: { fact: "fit-check", v: 1, check: "fan-pulls", verdict: "pass" },
  };
  static words = ({ verdict }: FitCheck, entry: EntryDraft, system: System) =>
    sentence(entry, system, { verdict });
}
