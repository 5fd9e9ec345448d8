import { IsBoolean, IsIn, IsOptional, IsString, Length } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import type { Loose } from "./fact.ts";
import { sentence } from "./words.ts";

/** A test of the knowledge with the outcome that came, or that it could not be told. */
export class TestOutcome {
  @IsString()
  @Length(1, 40, { message: "A test that is known here." })
  test: string;

  @IsString()
  @Length(1, 40, { message: "An outcome of that test." })
  outcome: string;

  /** What it said of its stretch when it was done: knowledge changes, books don't. */
  @IsIn(["pass", "fail", "not-seen"], { message: "pass, fail or not-seen." })
  verdict: "pass" | "fail" | "not-seen";

  @IsOptional()
  @IsBoolean({ message: "Whether its hazards were read." })
  hazardsRead?: boolean;

  static readonly fact = "test-outcome";
  static readonly version = 1;
  static readonly kinds = ["test"] as const;
  static readonly example: EntryDraft = {
    kind: "test",
    item: "Fuses by meter",
    text: "sound",
    data: { fact: "test-outcome", v: 1, test: "fuses", outcome: "sound", verdict: "pass" },
  };
  static words = ({ verdict }: TestOutcome, entry: EntryDraft, system: System) =>
    sentence(entry, system, { verdict });
  static liftLoose = ({ test, outcome, verdict, acknowledged }: Loose) =>
    typeof test === "string" && typeof outcome === "string"
      ? {
          test,
          outcome,
          verdict: verdict ?? "not-seen",
          ...(acknowledged === true ? { hazardsRead: true } : {}),
        }
      : undefined;
}
