import { IsString, Length } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { sentence } from "./words.ts";

/** A wire of a fan's wiring sheet is on, told by where it comes from and goes to. */
export class WireOn {
  @IsString()
  @Length(1, 160, { message: "The wire, from where to where." })
  wire: string;

  static readonly fact = "wire-on";
  static readonly version = 1;
  static readonly kinds = ["note"] as const;
  static readonly example: EntryDraft = {
    kind: "note",
    item: "wire",
    text: "battery + to relay 30 is on",
    data: { fact: "wire-on", v: 1, wire: "battery + to relay 30" },
  };
  static words = (_: WireOn, entry: EntryDraft, system: System) => sentence(entry, system);

  static once = ({ wire }: WireOn) => ({ key: wire, refusal: "That wire is ticked already." });
}
