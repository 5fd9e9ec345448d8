import { IsIn } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { sentence } from "./words.ts";

/** Something bridged for now so that the car gets home, a switch or a heater core; the entry's item names it. */
export class Bypass {
  @IsIn(["on", "off"], { message: "On, or off again." })
  does: "on" | "off";

  static readonly fact = "bypass";
  static readonly version = 1;
  static readonly kinds = ["decision"] as const;
  static readonly example: EntryDraft = {
    kind: "decision",
    item: "fan switch",
    text: "bypassed for now",
    data: { fact: "bypass", v: 1, does: "on" },
  };
  static words = (_: Bypass, entry: EntryDraft, system: System) => sentence(entry, system);
}
