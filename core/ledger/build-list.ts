import { balanceKey } from "./balance.ts";
import type { Account, Entry } from "./entry.ts";
import { standing } from "./standing.ts";
import { thing } from "./words.ts";

export interface BuildItem {
  account: Account;
  item: string;
  place: string;
  /** How many of those that left together are not back. */
  open: number;
  /** The entry that wrote them out. */
  entryId: string;
  where?: string;
}

export interface BuildGroup {
  place: string;
  items: BuildItem[];
  /** False while something that left later, and so sits behind it, is still out. */
  ready: boolean;
  behind: string[];
}

/** A tool laid in the bay holds nothing up, and a cap comes off its line with the hose that goes on. */
const HOLDS_NOTHING_UP: Account[] = ["tool", "line-cap"];

function openOuts(entries: readonly Entry[]): BuildItem[] {
  const outs: (BuildItem & { key: string })[] = [];
  const counting = standing(entries).filter(
    (entry) => entry.kind === "movement" && entry.account !== "coolant",
  );
  for (const entry of counting) {
    if (!entry.account || !entry.out) continue;
    const { account, item = "", place = "", text } = entry;
    outs.push({
      account,
      item,
      place,
      open: entry.out,
      entryId: entry.id,
      where: text,
      key: balanceKey(entry),
    });
  }
  for (const entry of counting) {
    let back = entry.in ?? 0;
    for (const out of outs.filter((candidate) => candidate.key === balanceKey(entry)).reverse()) {
      const taken = Math.min(back, out.open);
      out.open -= taken;
      back -= taken;
    }
  }
  return outs.filter((out) => out.open > 0).map(({ key: _, ...out }) => out);
}

/**
 * What is out, in the reverse of the order it left, things that left one place in one go together. A group is `ready`
 * once everything that left after it is back; tools and line caps hold nothing up and are always ready.
 */
export function buildList(entries: readonly Entry[]): BuildGroup[] {
  const groups: BuildGroup[] = [];
  for (const out of openOuts(entries).reverse()) {
    const place = out.place || out.item;
    const last = groups.at(-1);
    if (last && last.place.toLowerCase() === place.toLowerCase()) last.items.push(out);
    else groups.push({ place, items: [out], ready: true, behind: [] });
  }
  const waiting: string[] = [];
  for (const group of groups) {
    const holding = group.items.filter((item) => !HOLDS_NOTHING_UP.includes(item.account));
    if (holding.length === 0) continue;
    group.behind = [...waiting];
    group.ready = group.behind.length === 0;
    waiting.push(...holding.map((item) => thing(item, item.open)));
  }
  return groups;
}
