import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { Chips, looseChips } from "./chips.ts";
import type { Loose } from "./fact.ts";
import { sentence } from "./words.ts";

/** When it happens. */
export class Happens extends Chips {
  static readonly fact = "happens";
  static readonly version = 1;
  static readonly kinds = ["reading"] as const;
  static readonly example: EntryDraft = {
    kind: "reading",
    item: "happens",
    text: "standing still",
    data: { fact: "happens", v: 1, chips: ["standing still"] },
  };
  static words = (_: Happens, entry: EntryDraft, system: System) => sentence(entry, system);
  static liftLoose = (data: Loose, entry: EntryDraft): Loose | undefined => {
    const said = looseChips(data, entry, "happens");
    return said && { ...said };
  };
}
