import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import type { Loose } from "./fact.ts";
import { sentence } from "./words.ts";

/** This job needs no parts. */
export class NoParts {
  static readonly fact = "no-parts";
  static readonly version = 1;
  static readonly kinds = ["decision"] as const;
  static readonly example: EntryDraft = {
    kind: "decision",
    item: "parts",
    text: "none needed",
    data: { fact: "no-parts", v: 1 },
  };
  static words = (_: NoParts, entry: EntryDraft, system: System) => sentence(entry, system);

  static once = () => ({ key: "", refusal: "That no parts are needed is in the book already." });
  static liftLoose = ({ noParts }: Loose) => (noParts ? {} : undefined);
}
