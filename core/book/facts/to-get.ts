import { IsIn, IsInt, IsOptional, Max, Min } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import { ACCOUNTS, type Account, type EntryDraft } from "../entry/index.ts";
import { sentence } from "./words.ts";

export const TO_GET_BECAUSE = ["broke", "fit", "missing", "worn"] as const;

/** Something the job needs and hasn't: a clip that broke, a longer bolt, a bush. The entry's item and place name it. */
export class ToGet {
  @IsInt({ message: "How many, a whole number." })
  @Min(1, { message: "One or more." })
  @Max(999, { message: "At most 999." })
  count: number;

  @IsIn(TO_GET_BECAUSE, { message: "It broke, the new part wants it, it is missing, or worn." })
  because: (typeof TO_GET_BECAUSE)[number];

  /** Where it was counted as out, under this entry's item and place: there it is no more, until another is here. */
  @IsOptional()
  @IsIn(ACCOUNTS, { message: "One of the accounts." })
  account?: Account;

  static readonly fact = "to-get";
  static readonly version = 1;
  static readonly kinds = ["note"] as const;
  static readonly example: EntryDraft = {
    kind: "note",
    item: "clip",
    place: "undertray",
    text: "broke: 2 to get",
    data: { fact: "to-get", v: 1, count: 2, because: "broke" },
  };
  static words = (_: ToGet, entry: EntryDraft, system: System) => sentence(entry, system);
}
