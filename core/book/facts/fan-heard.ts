import { IsIn } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import type { Loose } from "./fact.ts";
import { sentence } from "./words.ts";

export const FAN_SAID = [
  "none",
  "on",
  "off",
  "low on",
  "low off",
  "high on",
  "high off",
  "left on",
  "left off",
  "right on",
  "right off",
] as const;
export type FanSaid = (typeof FAN_SAID)[number];

/** What the fan did at the moment of a reading. */
export class FanHeard {
  @IsIn(FAN_SAID, { message: "What the fan did: on, off, none, or low, high, left or right with on or off." })
  fan: FanSaid;

  static readonly fact = "fan-heard";
  static readonly version = 1;
  static readonly kinds = ["reading"] as const;
  static readonly example: EntryDraft = {
    kind: "reading",
    item: "coolant sensor",
    value: 101,
    unit: "°C",
    data: { fact: "fan-heard", v: 1, fan: "none" },
  };
  static words = ({ fan }: FanHeard, entry: EntryDraft, system: System) =>
    sentence(entry, system, { tail: fan === "none" ? "no fan heard" : `fan ${fan}` });
  static liftLoose = ({ fan }: Loose) => (typeof fan === "string" ? { fan } : undefined);
}
