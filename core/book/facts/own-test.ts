import { IsIn } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import type { Loose } from "./fact.ts";
import { sentence } from "./words.ts";

/** A test that only the person knows, with how it went. It moves no belief. */
export class OwnTest {
  @IsIn(["pass", "fail", "not-seen"], { message: "pass, fail or not-seen." })
  verdict: "pass" | "fail" | "not-seen";

  static readonly fact = "own-test";
  static readonly version = 1;
  static readonly kinds = ["test"] as const;
  static readonly example: EntryDraft = {
    kind: "test",
    item: "freeze point by refractometer",
    text: "−18 °C, wanted −37 °C",
    data: { fact: "own-test", v: 1, verdict: "fail" },
  };
  static words = ({ verdict }: OwnTest, entry: EntryDraft, system: System) =>
    sentence(entry, system, { verdict });
  static liftLoose = ({ test, verdict }: Loose, entry: EntryDraft) =>
    test === undefined && verdict !== undefined && entry.kind === "test" ? { verdict } : undefined;
}
