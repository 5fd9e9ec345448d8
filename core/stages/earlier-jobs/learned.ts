import { type Account, type Entry, standing } from "../../book/entry/index.ts";
import { factsOf, lastFact, OrderOfWork, ToGet } from "../../book/facts/index.ts";
import { thing } from "../../book/out/index.ts";
import type { Feature } from "../../trade/order/index.ts";

export interface LearnedOut {
  account: Account;
  item: string;
  place: string;
  count: number;
  where?: string;
}

/** What one job's book says to whoever takes the same model apart next. */
export interface Learned {
  /** What came off, in that order; the same thing at one place counted together. */
  outs: LearnedOut[];
  /** What broke as it came off, in words. */
  broke: string[];
  /** Which side came off first, where sides came off. */
  firstSide?: "left" | "right";
  /** What the car had in the way, where an order of work was taken. */
  features: readonly Feature[];
  /** Minutes at the car, from the first thing off to the last one back, long breaks left out. */
  minutes: number;
}

/** Nobody works on for so long without writing: a lunch, a night, a part on its way. */
const LONGEST_BETWEEN_MS = 60 * 60_000;

function minutesAtIt(moves: readonly Entry[]): number {
  const times = moves.map(({ at }) => Date.parse(at)).sort((a, b) => a - b);
  const between = times.slice(1).map((time, index) => time - (times[index] ?? time));
  const worked = between.filter((ms) => ms <= LONGEST_BETWEEN_MS).reduce((sum, ms) => sum + ms, 0);
  return Math.round(worked / 60_000);
}

/**
 * What was off at once, in the order in which it first came off: put back and taken off again it is no more than it was. Two of one
 * size that come from two places into one bag stay two.
 */
function outsOf(moves: readonly Entry[]): Map<string, LearnedOut> {
  const outs = new Map<string, LearnedOut & { open: number }>();
  const last: string[] = [];
  for (const { account, item = "", place = "", out = 0, in: back = 0, text } of moves) {
    if (!account) continue;
    const thing = `${account}|${item}|${place}`.toLowerCase();
    if (out > 0) {
      const key = `${thing}|${text ?? ""}`.toLowerCase();
      const each = outs.get(key) ?? {
        account,
        item,
        place,
        count: 0,
        open: 0,
        ...(text ? { where: text } : {}),
      };
      each.open += out;
      each.count = Math.max(each.count, each.open);
      outs.set(key, each);
      last.push(key);
    }
    let left = back;
    for (const key of [...last].reverse()) {
      const each = outs.get(key);
      if (left <= 0) break;
      if (!each || !key.startsWith(`${thing}|`)) continue;
      const taken = Math.min(left, each.open);
      each.open -= taken;
      left -= taken;
    }
  }
  return new Map([...outs].map(([key, { open: _, ...each }]) => [key, each]));
}

/** What is to be learned from a job's book; nothing where nothing came off. */
export function learnedFrom(entries: readonly Entry[]): Learned | undefined {
  const moves = standing(entries).filter(
    (entry) => entry.kind === "movement" && entry.account && entry.account !== "coolant",
  );
  const outs = outsOf(moves);
  if (outs.size === 0) return undefined;
  const sided = [...outs.values()].map(({ place }) => /\b(left|right)\b/i.exec(place)?.[1]?.toLowerCase());
  const first = sided.find((side) => side === "left" || side === "right") as "left" | "right" | undefined;
  return {
    outs: [...outs.values()],
    broke: factsOf(entries, ToGet)
      .filter(({ fact }) => fact.because === "broke")
      .map(({ fact: { count }, entry }) => (count > 1 ? `${count} × ${thing(entry)}` : thing(entry))),
    ...(first ? { firstSide: first } : {}),
    features: lastFact(entries, OrderOfWork)?.fact.features ?? [],
    minutes: minutesAtIt(moves),
  };
}
