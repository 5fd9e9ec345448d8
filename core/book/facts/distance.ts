import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import type { Loose } from "./fact.ts";
import { sentence } from "./words.ts";

/** What the vehicle has run, in km: the entry's own figure. The vehicle's distance follows it. */
export class Distance {
  static readonly fact = "distance";
  static readonly version = 1;
  static readonly kinds = ["reading"] as const;
  static readonly isOwners = true;
  static readonly example: EntryDraft = {
    kind: "reading",
    item: "distance",
    value: 184220,
    unit: "km",
    data: { fact: "distance", v: 1 },
  };
  static words = (_: Distance, entry: EntryDraft, system: System) => sentence(entry, system);

  static liftLoose = (_: Loose, entry: EntryDraft) =>
    entry.kind === "reading" && entry.item === "distance" && typeof entry.value === "number" ? {} : undefined;
}
