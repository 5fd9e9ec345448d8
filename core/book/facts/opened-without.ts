import { ArrayMaxSize, IsArray, IsOptional, IsString, Length } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { sentence } from "./words.ts";

/** The car is opened though a part of the job isn't here and looked at, and why. */
export class OpenedWithout {
  @IsString()
  @Length(10, 300, { message: "Why the car is opened without it, 10 to 300 letters." })
  because: string;

  /** The lines that chose the parts it is opened without; absent in lines of before, which meant all that were chosen then. */
  @IsOptional()
  @IsArray({ message: "The parts, as a list." })
  @ArrayMaxSize(40, { message: "At most 40 parts." })
  @IsString({ each: true })
  @Length(1, 40, { each: true, message: "The id of the line that chose a part." })
  parts?: string[];

  static readonly fact = "opened-without";
  static readonly version = 1;
  static readonly kinds = ["decision"] as const;
  static readonly example: EntryDraft = {
    kind: "decision",
    item: "opened without the part",
    text: "it leaks too fast to stand until Thursday",
    data: { fact: "opened-without", v: 1, because: "it leaks too fast to stand until Thursday" },
  };
  static words = (_: OpenedWithout, entry: EntryDraft, system: System) => sentence(entry, system);
}
