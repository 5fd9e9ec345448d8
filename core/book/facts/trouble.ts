import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { Chips, looseChips } from "./chips.ts";
import type { Loose } from "./fact.ts";
import { sentence } from "./words.ts";

/** What kind of trouble the owner has. */
export class Trouble extends Chips {
  static readonly fact = "trouble";
  static readonly version = 1;
  static readonly kinds = ["reading"] as const;
  static readonly example: EntryDraft = {
    kind: "reading",
    item: "trouble",
    text: "fan never runs",
    data: { fact: "trouble", v: 1, chips: ["fan never runs"] },
  };
  static words = (_: Trouble, entry: EntryDraft, system: System) => sentence(entry, system);
  static liftLoose = (data: Loose, entry: EntryDraft): Loose | undefined => {
    const said = looseChips(data, entry, "trouble");
    return said && { ...said };
  };
}
