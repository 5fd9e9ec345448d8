import { IsIn } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { sentence } from "./words.ts";

/** What blew a fuse, as it is told the owner. A fuse is what breaks, never why. */
export const FUSE_CAUSES = {
  motor: "the motor draws too much",
  wire: "a wire chafed through to ground",
  rating: "its rating was too small for the motor",
  "none-found": "no cause found: the draw is within its rating, no wire chafed",
  "not-measured": "what blew it was not looked for",
} as const;
export type FuseCauseId = keyof typeof FUSE_CAUSES;

/** Why a fuse blew, or that nobody could say. */
export class FuseCause {
  @IsIn(Object.keys(FUSE_CAUSES), { message: "A cause that is known here." })
  cause: FuseCauseId;

  static readonly fact = "fuse-cause";
  static readonly version = 1;
  static readonly kinds = ["decision"] as const;
  static readonly example: EntryDraft = {
    kind: "decision",
    item: "what blew the fuse",
    text: "the motor draws too much",
    data: { fact: "fuse-cause", v: 1, cause: "motor" },
  };
  static words = (_: FuseCause, entry: EntryDraft, system: System) => sentence(entry, system);
}
