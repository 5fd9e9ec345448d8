import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { IsMoment } from "./moment.ts";
import { sentence } from "./words.ts";

/** When the owner was told that it is ready; the last that was told counts. */
export class ReadyPromised {
  @IsMoment({ message: "A date and time, such as 2031-03-06T16:00:00Z." })
  at: string;

  static readonly fact = "ready-promised";
  static readonly version = 1;
  static readonly kinds = ["decision"] as const;
  static readonly isOwners = true;
  static readonly example: EntryDraft = {
    kind: "decision",
    item: "owner was told",
    text: "ready by Thu 6 Mar, 16:00",
    data: { fact: "ready-promised", v: 1, at: "2031-03-06T16:00:00.000Z" },
  };
  static words = (_: ReadyPromised, entry: EntryDraft, system: System) => sentence(entry, system);
}
