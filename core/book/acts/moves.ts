import type { Account, EntryDraft } from "../entry/index.ts";
import { dataOf, ToGet } from "../facts/index.ts";
import { at, saying } from "./about.ts";

export interface Thing {
  account: Account;
  item: string;
  place?: string;
}

/** Something comes off or out, so many; `text` is what tells it from its neighbour. */
export const tookOff = ({ account, item, place }: Thing, count = 1, text?: string): EntryDraft => ({
  kind: "movement",
  account,
  item,
  ...at(place),
  out: count,
  ...saying(text),
});

/** Something goes back on or in, so many. */
export const putBack = ({ account, item, place }: Thing, count = 1): EntryDraft => ({
  kind: "movement",
  account,
  item,
  ...at(place),
  in: count,
});

/** Something broke as it came off, and so many of it are to get. */
export const broke = (item: string, count: number, place?: string): EntryDraft => ({
  kind: "note",
  item,
  ...at(place?.toLowerCase()),
  text: `broke, ${count} to get`,
  data: dataOf(ToGet, { count, because: "broke" }),
});
