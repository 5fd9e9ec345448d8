import { IsIn, IsOptional } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import type { Loose } from "./fact.ts";
import { IsMoment, isMoment } from "./moment.ts";
import { WAITS, type WaitKind } from "./wait-kinds.ts";
import { sentence } from "./words.ts";

/** What the job waits for, and until when where that is known. */
export class Waiting {
  @IsIn(WAITS, { message: "hands, heat, parts, night or owner." })
  waitsFor: WaitKind;

  @IsOptional()
  @IsMoment({ message: "A date and time, such as 2031-03-06T08:00:00Z." })
  until?: string;

  static readonly fact = "wait";
  static readonly version = 1;
  static readonly kinds = ["decision"] as const;
  static readonly isOwners = true;
  static readonly example: EntryDraft = {
    kind: "decision",
    item: "waits",
    text: "switch on Thursday",
    data: { fact: "wait", v: 1, waitsFor: "parts", until: "2031-03-06T08:00:00.000Z" },
  };
  static words = (_: Waiting, entry: EntryDraft, system: System) => sentence(entry, system);

  static liftLoose = ({ waitsFor, until }: Loose) =>
    waitsFor === undefined ? undefined : { waitsFor, ...(isMoment(until) ? { until } : {}) };
}
