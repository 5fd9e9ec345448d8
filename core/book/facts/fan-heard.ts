import { IsIn } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { Entry, EntryDraft } from "../entry/index.ts";
import { CoolantRead } from "./coolant-read.ts";
import type { Loose } from "./fact.ts";
import { FAN_SAID, FAN_TROUBLE, type FanSaid, fanWords } from "./fan-said.ts";
import { sentence } from "./words.ts";

/** What the fan did as something else than the coolant was read: intake air, the room. */
export class FanHeard {
  @IsIn(FAN_SAID, { message: FAN_TROUBLE })
  fan: FanSaid;

  static readonly fact = "fan-heard";
  static readonly version = 1;
  static readonly kinds = ["reading"] as const;
  static readonly example: EntryDraft = {
    kind: "reading",
    item: "intake air",
    value: 31,
    unit: "°C",
    data: { fact: "fan-heard", v: 1, fan: "none" },
  };
  static words = ({ fan }: FanHeard, entry: EntryDraft, system: System) =>
    sentence(entry, system, { tail: fanWords(fan) });
  static liftLoose = ({ fan }: Loose) => (typeof fan === "string" ? { fan } : undefined);
  /** Heard at a reading of the coolant it was this, before that had a fact of its own. */
  static became(fields: Loose, entry: EntryDraft | Entry) {
    const now = CoolantRead.liftLoose(fields, entry);
    return now && { kind: CoolantRead, fields: now };
  }
}
