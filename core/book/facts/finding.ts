import { IsIn, IsOptional } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import { HYPOTHESES } from "../../trade/diagnosis/knowledge/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import type { Loose } from "./fact.ts";
import { sentence } from "./words.ts";

/** The verdict: what the trouble is, nothing wrong included; the words are the entry's own text. */
export class Finding {
  @IsIn(["fault", "nothing-wrong"], { message: "fault or nothing-wrong." })
  finding: "fault" | "nothing-wrong";

  @IsOptional()
  @IsIn(
    HYPOTHESES.map(({ id }) => id),
    { message: "A fault that is known here." },
  )
  hypothesis?: string;

  static readonly fact = "finding";
  static readonly version = 1;
  static readonly kinds = ["decision"] as const;
  static readonly example: EntryDraft = {
    kind: "decision",
    item: "finding",
    text: "Thermal switch does not close",
    data: { fact: "finding", v: 1, finding: "fault", hypothesis: "switch-open" },
  };
  static readonly staysBecause = "The verdict is changed or taken back on Find";
  static words = (_: Finding, entry: EntryDraft, system: System) => sentence(entry, system);

  static liftLoose = ({ finding, hypothesis }: Loose) =>
    finding === undefined ? undefined : { finding, ...(hypothesis ? { hypothesis } : {}) };
}
