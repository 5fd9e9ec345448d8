import { IsInt, IsOptional, IsString, Length, Max, Min } from "class-validator";
import type { EntryDraft } from "../book/index.ts";
import type { System } from "../units/index.ts";
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

  static readonly fact = "picture";
  static readonly version = 1;
  static readonly kinds = ["note"] as const;
  static readonly example: EntryDraft = {
    kind: "note",
    item: "picture",
    text: "left fan plug before it came off",
    data: { fact: "picture", v: 1, width: 1600, height: 1200 },
  };
  static readonly isServers = true;
  static words = (_: Picture, { place, item, ...entry }: EntryDraft, system: System) =>
    sentence({ ...entry, item: [item, place].filter(Boolean).join(", ") }, system);
}
