import { IsInt, IsString, Length, Max, Min } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { sentence } from "./words.ts";

const MOST_DAYS = 3650;
const DAYS_OF_MONTH = 30.4;
const MOST_DAYS_TOLD = 60;

/** Days as a guarantee is said: 30 days, 12 months. */
export function guaranteeSpan(days: number): string {
  if (days === 0) return "none";
  if (days <= MOST_DAYS_TOLD) return days === 1 ? "one day" : `${days} days`;
  return `${Math.round(days / DAYS_OF_MONTH)} months`;
}

/** A guarantee as it is written down: part 24 months, labour none. */
export const guaranteeWords = ({ partDays, labourDays }: { partDays: number; labourDays: number }): string =>
  `part ${guaranteeSpan(partDays)}, labour ${guaranteeSpan(labourDays)}`;

/** For how long the shop answers for a part and for the work of fitting it. Names the entry that chose the part. */
export class Guarantee {
  @IsString()
  @Length(1, 40, { message: "The id of the line that chose the part." })
  part: string;

  @IsInt({ message: "Whole days of guarantee." })
  @Min(0, { message: "Days of guarantee from 0 up." })
  @Max(MOST_DAYS, { message: "At most ten years of guarantee." })
  partDays: number;

  @IsInt({ message: "Whole days of guarantee." })
  @Min(0, { message: "Days of guarantee from 0 up." })
  @Max(MOST_DAYS, { message: "At most ten years of guarantee." })
  labourDays: number;

  static readonly fact = "guarantee";
  static readonly version = 1;
  static readonly kinds = ["decision"] as const;
  static readonly example: EntryDraft = {
    kind: "decision",
    item: "guarantee on the radiator",
    text: "part 2 years, labour 1 year",
    data: {
      fact: "guarantee",
      v: 1,
      part: "0d9bdf5c-6c0e-4d6e-9f86-0a8f0f6f1a11",
      partDays: 730,
      labourDays: 365,
    },
  };
  static words = (_: Guarantee, entry: EntryDraft, system: System) => sentence(entry, system);

  static about = ({ part }: Guarantee) => ({
    id: part,
    fact: "chosen-part",
    refusal: "The part that it is for is not in this job's book, or was taken back.",
  });
}
