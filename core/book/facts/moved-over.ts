import { IsIn, IsString, Length } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { sentence } from "./words.ts";

export const MOVED_HOW = ["moved", "new", "none"] as const;
export type MovedHow = (typeof MOVED_HOW)[number];

/** As they are said. */
export const MOVED_WORDS: Readonly<Record<MovedHow, string>> = {
  moved: "moved over",
  new: "new with it",
  none: "none here",
};

/** A small thing of the old part: moved over to the new one, come new with it, or not there on this one. */
export class MovedOver {
  /** The id of the line that chose the new part. */
  @IsString()
  @Length(1, 40, { message: "The id of the line that chose the part." })
  part: string;

  @IsString()
  @Length(1, 60, { message: "What is moved over, in 1 to 60 letters." })
  what: string;

  @IsIn(MOVED_HOW, { message: "Moved over, new, or none here." })
  how: MovedHow;

  static readonly fact = "moved-over";
  static readonly version = 1;
  static readonly kinds = ["note"] as const;
  static readonly example: EntryDraft = {
    kind: "note",
    item: "bushes",
    text: "moved over to the radiator",
    data: {
      fact: "moved-over",
      v: 1,
      part: "0d9bdf5c-6c0e-4d6e-9f86-0a8f0f6f1a11",
      what: "bushes",
      how: "moved",
    },
  };
  static words = (_: MovedOver, entry: EntryDraft, system: System) => sentence(entry, system);
  static about = ({ part }: MovedOver) => ({
    id: part,
    fact: "chosen-part",
    refusal: "The part that it moves to is not in this job's book, or was taken back.",
  });
}
