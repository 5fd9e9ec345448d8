import type { Entry } from "../entry/index.ts";
import { type OutEntry, outNow } from "./out-now.ts";

/** One thing to put back, as many as left together and are not back. */
export type BuildItem = OutEntry;

export interface BuildGroup {
  place: string;
  items: BuildItem[];
  /** False while something that is known to hold it up is still out. It may be ticked all the same. */
  ready: boolean;
  /** What is known to hold it up, in words; empty where nothing is. */
  behind: string[];
}

const words = (text: string) =>
  text
    .toLowerCase()
    .split(/[\s,]+/)
    .filter(Boolean);
/** "left fan" and "fan, left" name the same thing, whichever way round it was written down. */
const nameOf = (...texts: string[]) => texts.flatMap(words).sort().join(" ");

/**
 * Known, not guessed from the order: a plug, hose, clip or bolt that is named after a part can't go back on while that
 * part is on the bench.
 */
function holderOf(item: BuildItem, partsOut: ReadonlyMap<string, string>): string | undefined {
  if (item.account === "part" || item.account === "tool") return undefined;
  const named = item.place || item.where || "";
  return named ? partsOut.get(nameOf(named)) : undefined;
}

/**
 * What is out, in the reverse of the order it left, things that left one place in one go together. The order is advice:
 * whatever is out can be put back. Only what is known to hold a group up is named in `behind`.
 */
export function buildList(entries: readonly Entry[]): BuildGroup[] {
  const groups: BuildGroup[] = [];
  // By when it came off: what was typed without a network, and sent later, stands where it happened.
  const outs = [...outNow(entries)].sort((a, b) => Date.parse(a.at) - Date.parse(b.at)).reverse();
  const partsOut = new Map<string, string>();
  for (const { account, item, place } of outs)
    if (account === "part") partsOut.set(nameOf(place, item), [place, item].filter(Boolean).join(" "));
  for (const out of outs) {
    const place = out.place || out.item;
    const holder = holderOf(out, partsOut);
    const behind = holder ? [holder] : [];
    const last = groups.at(-1);
    if (last && last.place.toLowerCase() === place.toLowerCase() && last.behind[0] === holder)
      last.items.push(out);
    else groups.push({ place, items: [out], ready: !holder, behind });
  }
  return groups;
}
