import { IsBoolean, IsOptional, IsString, Length } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { sentence } from "./words.ts";

/** A chosen part came and is not what it should be. Names the entry that chose it. */
export class RefusedPart {
  @IsString()
  @Length(1, 40, { message: "The id of the line that chose the part." })
  part: string;

  @IsString()
  @Length(3, 300, { message: "What is wrong with it, 3 to 300 letters." })
  because: string;

  /** Said though somebody has said the opposite before, who is known to whoever says this. */
  @IsOptional()
  @IsBoolean({ message: "After all, or not." })
  afterAll?: boolean;

  static readonly fact = "refused-part";
  static readonly version = 1;
  static readonly kinds = ["decision"] as const;
  static readonly example: EntryDraft = {
    kind: "decision",
    item: "radiator",
    text: "refused: a peg bent in its box",
    data: {
      fact: "refused-part",
      v: 1,
      part: "0d9bdf5c-6c0e-4d6e-9f86-0a8f0f6f1a11",
      because: "a peg bent in its box",
    },
  };
  static words = (_: RefusedPart, entry: EntryDraft, system: System) => sentence(entry, system);

  static once = ({ part }: RefusedPart) => ({ key: part, refusal: "That part is refused already." });
  static against = ({ part, afterAll }: RefusedPart) =>
    afterAll === true ? undefined : { fact: "checked-part", part };
  static about = ({ part }: RefusedPart) => ({
    id: part,
    fact: "chosen-part",
    refusal: "The part to refuse is not in this job's book, or was taken back.",
  });
}
