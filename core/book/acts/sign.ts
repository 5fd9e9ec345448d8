import { dayWords } from "../../kernel/days/index.ts";
import { format, type System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { dataOf, FollowUpSaid } from "../facts/index.ts";

/** By when a second look is due, in words: a day, a distance, or whichever comes first. */
export const dueWords = ({ on, byKm }: Pick<FollowUpSaid, "on" | "byKm">, system: System): string =>
  [on && `by ${dayWords(on)}`, byKm !== undefined && `at ${format(byKm, "distance", system)}`]
    .filter(Boolean)
    .join(" or ");

/** A second look is promised, moved, done or dropped. */
export function saidLook({ key, does, what, on, byKm, because }: FollowUpSaid, system: System): EntryDraft {
  const isAhead = does === "promised" || does === "moved";
  return {
    kind: "decision",
    stage: "sign",
    item: "second look",
    text: [
      `${does}: ${what}`,
      isAhead ? dueWords({ ...(on && { on }), ...(byKm !== undefined && { byKm }) }, system) : "",
      because,
    ]
      .filter(Boolean)
      .join(", "),
    data: dataOf(FollowUpSaid, {
      key,
      does,
      what,
      ...(on && { on }),
      ...(byKm !== undefined && { byKm }),
      ...(because && { because }),
    }),
  };
}

/** The job is signed; what is missing is answered for in words. */
export const signed = (because: string): EntryDraft => ({
  kind: "decision",
  item: "signed",
  text: because || "everything is accounted for",
});
