import { IsString, Length } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { sentence } from "./words.ts";

/** A task of this job is done. */
export class TaskDone {
  @IsString()
  @Length(1, 40, { message: "The id of the line that set the task." })
  task: string;

  static readonly fact = "task-done";
  static readonly version = 1;
  static readonly kinds = ["note"] as const;
  static readonly example: EntryDraft = {
    kind: "note",
    item: "bracket",
    text: "done",
    data: { fact: "task-done", v: 1, task: "0d9bdf5c-6c0e-4d6e-9f86-0a8f0f6f1a11" },
  };
  static words = (_: TaskDone, entry: EntryDraft, system: System) => sentence(entry, system);

  static once = ({ task }: TaskDone) => ({ key: task, refusal: "That is done already." });
  static about = ({ task }: TaskDone) => ({
    id: task,
    fact: "task",
    refusal: "The task is not in this job's book, or was struck.",
  });
}
