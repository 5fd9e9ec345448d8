import { IsIn, IsOptional, IsString, Length } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import type { Loose } from "./fact.ts";
import { sentence } from "./words.ts";

/** Why not, and how long that holds: the tool for the job, time until tomorrow, the car for good, heat until it has cooled. */
export const CANNOT_BECAUSE = ["tool", "time", "car", "hot"] as const;
export type CannotBecause = (typeof CANNOT_BECAUSE)[number];

/** As they are said. */
export const CANNOT_WORDS: Readonly<Record<CannotBecause, string>> = {
  tool: "no tool",
  time: "no time today",
  car: "not on this car",
  hot: "too hot now",
};

/** A test that can't be done here: no tool, no time, not on this car, or not now because it is hot. */
export class CannotTest {
  @IsString()
  @Length(1, 40, { message: "A test that is known here." })
  test: string;

  @IsOptional()
  @IsIn(CANNOT_BECAUSE, { message: "No tool, no time, not on this car, or too hot now." })
  why?: CannotBecause;

  static readonly fact = "cannot-test";
  static readonly version = 1;
  static readonly kinds = ["decision"] as const;
  static readonly example: EntryDraft = {
    kind: "decision",
    item: "Fuses by meter",
    text: "can't be done here: no tool",
    data: { fact: "cannot-test", v: 1, test: "fuses" },
  };
  static words = (_: CannotTest, entry: EntryDraft, system: System) => sentence(entry, system);

  static liftLoose = ({ cannot }: Loose) => (typeof cannot === "string" ? { test: cannot } : undefined);
}
