import { IsIn } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import { CIRCUIT_KINDS, type CircuitKind } from "../../trade/diagnosis/knowledge/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import type { Loose } from "./fact.ts";
import { sentence } from "./words.ts";

/** How this vehicle starts its fan, settled on the job. */
export class FanCircuit {
  @IsIn(CIRCUIT_KINDS, { message: "One of the seven kinds of circuit." })
  circuit: CircuitKind;

  static readonly fact = "fan-circuit";
  static readonly version = 1;
  static readonly kinds = ["decision"] as const;
  static readonly example: EntryDraft = {
    kind: "decision",
    item: "fan circuit",
    text: "two-pin switch",
    data: { fact: "fan-circuit", v: 1, circuit: "switch-1" },
  };
  static words = (_: FanCircuit, entry: EntryDraft, system: System) => sentence(entry, system);

  static liftLoose = ({ circuit }: Loose) => (circuit === undefined ? undefined : { circuit });
}
