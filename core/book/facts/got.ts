import { IsString, Length } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { sentence } from "./words.ts";

/** What was to get is here. */
export class Got {
  @IsString()
  @Length(1, 40, { message: "The id of the line that put it on the list." })
  line: string;

  static readonly fact = "got";
  static readonly version = 1;
  static readonly kinds = ["note"] as const;
  static readonly example: EntryDraft = {
    kind: "note",
    item: "clip",
    text: "is here",
    data: { fact: "got", v: 1, line: "0d9bdf5c-6c0e-4d6e-9f86-0a8f0f6f1a11" },
  };
  static words = (_: Got, entry: EntryDraft, system: System) => sentence(entry, system);

  static once = ({ line }: Got) => ({ key: line, refusal: "That is here already." });
  static about = ({ line }: Got) => ({
    id: line,
    fact: "to-get",
    refusal: "What was to get is not in this job's book, or was struck.",
  });
}
