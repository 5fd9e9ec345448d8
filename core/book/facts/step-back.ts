import { ArrayMaxSize, IsArray, IsString, Length } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { sentence } from "./words.ts";

/** A step of the order of work is undone: what it took off is back. Names the line that said it was done. */
export class StepBack {
  @IsString()
  @Length(1, 40, { message: "The id of the line that said the step was done." })
  done: string;

  @IsString()
  @Length(1, 40, { message: "A step that is known here." })
  step: string;

  /** Checks that were seen right as it went back. */
  @IsArray({ message: "What was seen, as a list." })
  @ArrayMaxSize(20, { message: "At most 20 checks." })
  @IsString({ each: true })
  @Length(1, 40, { each: true, message: "A check that is known here." })
  seen: string[];

  static readonly fact = "step-back";
  static readonly version = 1;
  static readonly kinds = ["note"] as const;
  static readonly example: EntryDraft = {
    kind: "note",
    item: "undertray on",
    text: "nothing left in the undertray",
    data: {
      fact: "step-back",
      v: 1,
      done: "0d9bdf5c-6c0e-4d6e-9f86-0a8f0f6f1a11",
      step: "undertray",
      seen: ["tray"],
    },
  };
  static words = (_: StepBack, entry: EntryDraft, system: System) => sentence(entry, system);

  static once = ({ done }: StepBack) => ({ key: done, refusal: "That step is undone already." });
  static about = ({ done }: StepBack) => ({
    id: done,
    fact: "step-done",
    refusal: "The step to undo is not in this job's book, or was struck.",
  });
}
