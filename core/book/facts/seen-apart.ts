import { IsIn, IsString, Length } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { sentence } from "./words.ts";

export const SEEN_AS = ["sound", "advised", "declined", "replaced"] as const;
export type SeenAs = (typeof SEEN_AS)[number];

/** As they are said. */
export const SEEN_WORDS: Readonly<Record<SeenAs, string>> = {
  sound: "sound",
  advised: "new one advised",
  declined: "advised, declined",
  replaced: "replaced",
};

/** Something looked at because it was in the open anyway: sound, or advised to replace, and what the customer said. */
export class SeenApart {
  @IsString()
  @Length(1, 60, { message: "What was looked at, in 1 to 60 letters." })
  what: string;

  @IsIn(SEEN_AS, { message: "Sound, advised, declined or replaced." })
  as: SeenAs;

  static readonly fact = "seen-apart";
  static readonly version = 1;
  static readonly kinds = ["note"] as const;
  static readonly example: EntryDraft = {
    kind: "note",
    item: "lower hose",
    text: "soft at its end; new one advised, declined by the customer",
    data: { fact: "seen-apart", v: 1, what: "lower hose", as: "declined" },
  };
  static words = (_: SeenApart, entry: EntryDraft, system: System) => sentence(entry, system);
}
