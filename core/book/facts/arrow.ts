import { IsNumber, IsString, Length, Max, Min } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { sentence } from "./words.ts";

/** An arrow drawn onto a picture: this one. Its head, in shares of the picture's width and height from the upper left. */
export class Arrow {
  @IsString()
  @Length(1, 40, { message: "The id of the line that booked the picture." })
  picture: string;

  @IsNumber({ allowNaN: false, allowInfinity: false }, { message: "Where its head is, from 0 to 1." })
  @Min(0, { message: "Where its head is, from 0 to 1." })
  @Max(1, { message: "Where its head is, from 0 to 1." })
  x: number;

  @IsNumber({ allowNaN: false, allowInfinity: false }, { message: "Where its head is, from 0 to 1." })
  @Min(0, { message: "Where its head is, from 0 to 1." })
  @Max(1, { message: "Where its head is, from 0 to 1." })
  y: number;

  static readonly fact = "arrow";
  static readonly version = 1;
  static readonly kinds = ["note"] as const;
  static readonly example: EntryDraft = {
    kind: "note",
    item: "arrow",
    text: "left fan plug before it came off",
    data: { fact: "arrow", v: 1, picture: "0d9bdf5c-6c0e-4d6e-9f86-0a8f0f6f1a11", x: 0.4, y: 0.62 },
  };
  static words = (_: Arrow, entry: EntryDraft, system: System) => sentence(entry, system);
  static about = ({ picture }: Arrow) => ({
    id: picture,
    fact: "picture",
    refusal: "The picture is not in this job's book, or was struck.",
  });
}
