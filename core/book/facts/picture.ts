import { IsInt, IsOptional, IsString, Length, Matches, Max, Min } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import type { Loose } from "./fact.ts";
import { SHA256 } from "./sha256.ts";
import { sentence } from "./words.ts";

/** A picture taken at the car; the line's id is the picture's. The entry's text says what it shows, its place where. */
export class Picture {
  @IsInt()
  @Min(1)
  @Max(4000)
  width: number;

  @IsInt()
  @Min(1)
  @Max(4000)
  height: number;

  /** The id of the line that it belongs to: a part out of its box, say. */
  @IsOptional()
  @IsString()
  @Length(1, 40, { message: "The id of the line that it belongs to." })
  of?: string;

  /** SHA-256 of the JPEG as it is kept, so that the book's own hash stands for it too; the first version had none. */
  @IsOptional()
  @Matches(SHA256)
  sha256?: string;

  static readonly fact = "picture";
  static readonly version = 2;
  static readonly kinds = ["note"] as const;
  static readonly example: EntryDraft = {
    kind: "note",
    item: "picture",
    text: "left fan plug before it came off",
    data: {
      fact: "picture",
      v: 2,
      width: 1600,
      height: 1200,
      sha256: "9f86d081884c7d659a2feaa0c55ad015a3bf4f1b2b0b822cd15d6c15b0f00a08",
    },
  };
  static readonly isServers = true;
  static lift = (older: Loose) => older;
  static words = (_: Picture, { place, item, ...entry }: EntryDraft, system: System) =>
    sentence({ ...entry, item: [item, place].filter(Boolean).join(", ") }, system);
}
