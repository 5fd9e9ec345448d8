import { IsString, Length } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { sentence } from "./words.ts";

/** A step of the order of work is done. */
export class StepDone {
  @IsString()
  @Length(1, 40, { message: "A step that is known here." })
  step: string;

  static readonly fact = "step-done";
  static readonly version = 1;
  static readonly kinds = ["note"] as const;
  static readonly example: EntryDraft = {
    kind: "note",
    item: "coolant drained and measured",
    text: "done",
    data: { fact: "step-done", v: 1, step: "drain" },
  };
  static words = (_: StepDone, entry: EntryDraft, system: System) => sentence(entry, system);
}
