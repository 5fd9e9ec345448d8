import { IsInt, Max, Min } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { sentence } from "./words.ts";

/** Something to be done in this job beside its order of work, with the minutes it is thought to take: a remedy for what doesn't fit. */
export class Task {
  @IsInt({ message: "Minutes, a whole number." })
  @Min(0, { message: "Minutes from 0." })
  @Max(1440, { message: "A day at most." })
  minutes: number;

  static readonly fact = "task";
  static readonly version = 1;
  static readonly kinds = ["decision"] as const;
  static readonly example: EntryDraft = {
    kind: "decision",
    item: "bracket",
    text: "drill the bracket to 9 mm",
    data: { fact: "task", v: 1, minutes: 15 },
  };
  static words = ({ minutes }: Task, entry: EntryDraft, system: System) =>
    sentence(entry, system, { tail: `${minutes} min` });
}
