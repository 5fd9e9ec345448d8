import type { EntryDraft } from "../book/entry/index.ts";
import type { Expectation, LineContext, Read } from "./line.ts";
import type { MoveRead } from "./moves.ts";
import { type Named, readThings } from "./things.ts";
import type { Word } from "./words.ts";

const WHAT = "what came out: m6x20, clip, upper hose, fan plug, radiator, tool magnet";

/** Switched off, or poured: nothing that anybody takes out by that name alone. */
const NO_PART: Readonly<Record<string, string>> = {
  engine: "a part of it; whether it runs goes into a note",
  heater: "a part of it: heater hose, heater core",
  light: "which of them: headlight, side light",
  coolant: "how much: drain 5 L",
  oil: "what of it: oil cooler, oil line",
};

const NAMED_WHOLE: readonly (string | undefined)[] = ["part", "tool", "line-cap"];

/** A thing that goes into a bag is a fastener, by whatever name; otherwise a mere name is a part's. */
const accountOf = ({ account, names, container }: Named) =>
  account ?? (names.length === 0 ? undefined : container ? "fastener" : "part");

function plugOf(
  { account, names, sides, count, container, at }: Named,
  end: number,
): EntryDraft | Expectation {
  if ((account && account !== "part" && account !== "connector") || container)
    return { expected: "a plug: unplug left fan", at };
  const place = [...sides, ...names].join(" ");
  if (!place) return { expected: "which plug: unplug left fan", at: end };
  return { kind: "movement", account: "connector", item: "plug", place, out: count ?? 1 };
}

function draftOf(named: Named, end: number): EntryDraft | Expectation {
  const account = accountOf(named);
  if (!account) return { expected: WHAT, at: end };
  const manyAt = account === "part" ? named.partsAt : named.manyAt;
  const isSmall = account === "fastener" || account === "clip";
  // "Upper and lower hoses" are two that were named.
  if (manyAt !== undefined && named.count === undefined && (isSmall || named.sides.length === 0))
    return { expected: isSmall ? "how many: 3 clips" : "which, or how many of them", at: manyAt };
  const names = named.names.join(" ");
  const isNamed = NAMED_WHOLE.includes(account) || (account === "fastener" && !named.item);
  const whole = [names, isNamed ? named.item : ""].filter(Boolean).join(" ");
  const item = isNamed ? whole || (account === "line-cap" ? "line cap" : "") : named.item;
  const instead = account === "part" && Object.hasOwn(NO_PART, item ?? "") ? NO_PART[item ?? ""] : undefined;
  if (instead) return { expected: instead, at: named.at };
  if (!item)
    return { expected: account === "tool" ? "which tool: tool out magnet" : "what came out", at: end };
  const spot = [...named.sides, ...(isNamed ? [] : [names])].filter(Boolean).join(" ");
  const isBagged = named.container !== undefined;
  return {
    kind: "movement",
    account,
    item,
    ...(isBagged || spot ? { place: named.container ?? spot } : {}),
    out: named.count ?? 1,
    ...(isBagged && spot ? { text: spot } : {}),
  };
}

/** Things that leave the car. Coolant has its own verbs; everything else that leaves is counted. */
export function readOut(
  { move, rest }: MoveRead,
  line: readonly Word[],
  context: LineContext,
  isCommaPlace: boolean,
): Read {
  const things = readThings(rest, new Set(context.names), isCommaPlace);
  if ("expected" in things) return things;
  const drafts: EntryDraft[] = [];
  for (const named of things) {
    const end = line.at(-1)?.end ?? 0;
    const draft = move === "unplug" ? plugOf(named, end) : draftOf(named, end);
    if ("expected" in draft) return draft;
    drafts.push(draft);
  }
  return drafts;
}
