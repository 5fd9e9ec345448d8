import { format, type System } from "../../kernel/units/index.ts";
import type { Account } from "../entry/index.ts";

/** A thing as people say it, side first: "left fan plug", "3 × M6×20, bag 2". */
export function thing(line: { account?: Account; item?: string; place?: string }, count = 1): string {
  const item = line.item ?? "";
  const place = line.place ?? "";
  const isCap = line.account === "line-cap" && !/cap/i.test(item);
  const named = isCap ? `${item} cap` : item;
  const counted = count === 1 ? named : `${count} × ${named}`;
  if (line.account === "connector" || line.account === "hose" || line.account === "part") {
    return [count === 1 ? "" : `${count} ×`, place, item].filter(Boolean).join(" ");
  }
  return place ? `${counted}, ${place}` : counted;
}

/** An open balance as one says it across the bonnet. `open` above zero is out, below zero one too many went in. */
export function openWords(line: { account: Account; item: string; place: string; open: number }): string {
  const count = Math.abs(line.open);
  if (line.open < 0) {
    return `${thing(line, count)}: more went in than came out`;
  }
  switch (line.account) {
    case "fastener":
      return line.place
        ? `${line.place} is ${count === 1 ? "one" : count} ${line.item} short`
        : `${thing(line, count)} still out`;
    case "connector":
    case "hose":
      return `${thing(line, count)} still off`;
    case "line-cap":
      return `${thing(line, count)} still on a line`;
    case "tool":
      return `${thing(line, count)} still in the engine bay`;
    default:
      return `${thing(line, count)} still out`;
  }
}

/** What the coolant account says when it is not level. */
export function coolantWords(unaccountedL: number, system: System): string {
  const litres = format(Math.abs(unaccountedL), "volume", system);
  return unaccountedL > 0
    ? `${litres} of coolant not accounted for: still to pour, air, or lost`
    : `${litres} more coolant went in than is known to have come out: it was low, or is losing`;
}

/** Where coolant stands when it is too low, as one says it. */
export const LEVEL_WORDS = {
  max: "at the maximum",
  line: "at the line",
  min: "at the minimum",
  low: "below the minimum",
  empty: "none to be seen",
} as const;

/** What a level that is too low asks for. */
export const levelWords = (level: keyof typeof LEVEL_WORDS): string =>
  `coolant level ${level === "empty" ? "so low that none is to be seen" : LEVEL_WORDS[level]}: top up, then look again cold`;
