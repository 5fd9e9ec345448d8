import { IsIn, IsOptional, IsString, Length } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { PROOFS, type ProofName } from "./proof-names.ts";
import { sentence } from "./words.ts";

/** Something that shows the work has done what it should: seen, seen not to be so, or not seen and why. */
export class Proof {
  @IsIn(PROOFS, { message: "A proof that is known here." })
  proof: ProofName;

  @IsIn(["pass", "fail", "not-seen"], { message: "pass, fail or not-seen." })
  verdict: "pass" | "fail" | "not-seen";

  /** Why it was not seen, or how it failed. */
  @IsOptional()
  @IsString()
  @Length(1, 300, { message: "Why, in 1 to 300 letters." })
  because?: string;

  static readonly fact = "proof";
  static readonly version = 1;
  static readonly kinds = ["test"] as const;
  static readonly example: EntryDraft = {
    kind: "test",
    item: "fan, high stage",
    text: "never reached at idle",
    data: { fact: "proof", v: 1, proof: "fan-2", verdict: "not-seen", because: "never reached at idle" },
  };
  static words = ({ verdict }: Proof, entry: EntryDraft, system: System) =>
    sentence(entry, system, { verdict });
}
