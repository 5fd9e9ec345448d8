import { IsString, Length } from "class-validator";
import type { EntryDraft } from "../book/index.ts";
import type { System } from "../units/index.ts";
import { sentence } from "./words.ts";

/** The car is opened though a part of the job isn't here and looked at, and why. */
export class OpenedWithout {
  @IsString()
  @Length(10, 300, { message: "Why the car is opened without it, 10 to 300 letters." })
  because: string;

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
