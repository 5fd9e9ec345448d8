import { ArrayMaxSize, IsArray, IsBoolean, IsOptional, IsString, Length } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import type { Loose } from "./fact.ts";
import { sentence } from "./words.ts";

/** A chosen part is here, out of its box and undamaged. Names the entry that chose it. */
export class CheckedPart {
  @IsString()
  @Length(1, 40, { message: "The id of the line that chose the part." })
  part: string;

  /** What it was looked over for. */
  @IsOptional()
  @IsArray({ message: "What it was looked over for, as a list." })
  @ArrayMaxSize(20, { message: "At most 20 things to look at." })
  @IsString({ each: true })
  @Length(1, 80, { each: true, message: "Each of them in 1 to 80 letters." })
  seen?: string[];

  /** Said though somebody has said the opposite before, who is known to whoever says this. */
  @IsOptional()
  @IsBoolean({ message: "After all, or not." })
  afterAll?: boolean;

  static readonly fact = "checked-part";
  static readonly version = 2;
  static readonly kinds = ["decision"] as const;
  static readonly example: EntryDraft = {
    kind: "decision",
    item: "radiator",
    text: "here, out of the box, undamaged",
    data: {
      fact: "checked-part",
      v: 2,
      part: "0d9bdf5c-6c0e-4d6e-9f86-0a8f0f6f1a11",
      seen: ["no freight damage", "right variant and year"],
    },
  };
  static words = (_: CheckedPart, entry: EntryDraft, system: System) => sentence(entry, system);

  static once = ({ part }: CheckedPart) => ({ key: part, refusal: "That part is ticked already." });
  static against = ({ part, afterAll }: CheckedPart) =>
    afterAll === true ? undefined : { fact: "refused-part", part };
  static about = ({ part }: CheckedPart) => ({
    id: part,
    fact: "chosen-part",
    refusal: "The part to check is not in this job's book, or was taken back.",
  });
  /** The first version named the part alone. */
  static lift = (older: Loose) => older;
  static liftLoose = ({ checkedPart }: Loose) =>
    typeof checkedPart === "string" ? { part: checkedPart } : undefined;
}
