import type { BalanceLine } from "../balance.ts";
import type { Account, EntryDraft } from "../entry.ts";
import { thing } from "../words.ts";
import type { Expectation, LineContext } from "./line.ts";
import type { Token } from "./tokens.ts";
import { countedThing, FILLERS, PARTS, SIDES, THREAD, threadName } from "./vocabulary.ts";

interface Named {
  count?: number;
  countAt?: number;
  account?: Account;
  item?: string;
  bag?: string;
  sides: string[];
  /** Part words and quoted names, in the order typed. */
  names: string[];
}

const MOST_AT_ONCE = 200;

function readNames(words: Token[], context: LineContext): Named | Expectation {
  const named: Named = { sides: [], names: [] };
  for (let i = 0; i < words.length; i++) {
    const token = words[i] as Token;
    const counted = token.quoted ? undefined : countedThing(token.word);
    if (token.quoted) named.names.push(token.word);
    else if (token.word === "bag") {
      const label = words[i + 1];
      if (!label || label.quantity)
        return { expected: "which bag: bag 2", at: label?.at ?? token.at + token.text.length };
      named.bag = `bag ${label.word}`;
      i++;
    } else if (token.bare !== undefined) {
      if (named.count !== undefined)
        return { expected: "one count in the line; write a bag as bag 2", at: token.at };
      if (!Number.isInteger(token.bare) || token.bare < 1 || token.bare > MOST_AT_ONCE) {
        return { expected: `a whole count from 1 to ${MOST_AT_ONCE}`, at: token.at };
      }
      named.count = token.bare;
      named.countAt = token.at;
    } else if (token.quantity)
      return { expected: "a count without a unit: litres are drained, spilled or added", at: token.at };
    else if (THREAD.test(token.word)) {
      named.account = "fastener";
      named.item = threadName(token.word);
    } else if (token.word === "tool" || token.word === "tools") named.account = "tool";
    else if (["line-cap", "linecap"].includes(token.word)) named.account = "line-cap";
    else if (token.word === "cap" && words[i - 1]?.word === "line") {
      named.account = "line-cap";
      named.names.pop();
    } else if (counted) {
      // "m8 nuts": the thread names the item, the word only says what it is.
      named.item =
        named.account === "fastener" && named.item ? `${named.item} ${counted.item}` : counted.item;
      named.account ??= counted.account;
    } else if (SIDES.has(token.word)) named.sides.push(token.word);
    else if (PARTS.has(token.word) || context.names?.includes(token.word)) named.names.push(token.word);
    else if (named.account === "tool" && /^[a-z0-9-]+$/.test(token.word)) named.names.push(token.word);
    else if (!FILLERS.has(token.word)) {
      return {
        expected: "a part, place, size or count; put a name not used here before in quotes",
        at: token.at,
      };
    }
  }
  return named;
}

/** Coolant has its own verbs; everything else that leaves is counted. */
export function readOut(
  words: Token[],
  text: string,
  context: LineContext,
  given?: { account: Account; item: string },
): EntryDraft | Expectation {
  const named = readNames(words, context);
  if ("expected" in named) return named;
  const account = given?.account ?? named.account ?? (named.names.length > 0 ? "part" : undefined);
  if (!account)
    return {
      expected: "what came out: m6x20, clip, upper hose, fan plug, radiator, tool magnet",
      at: text.length,
    };
  const names = named.names.join(" ");
  const itemIsNamed = account === "part" || account === "tool" || account === "line-cap";
  const item =
    given?.item ?? (itemIsNamed ? names || (account === "line-cap" ? "line cap" : "") : named.item);
  if (!item)
    return {
      expected: account === "tool" ? "which tool: tool out magnet" : "what came out",
      at: text.length,
    };
  const spot = [...named.sides, ...(itemIsNamed ? [] : [names])].filter(Boolean).join(" ");
  return {
    kind: "movement",
    account,
    item,
    ...(named.bag || spot ? { place: named.bag ?? spot } : {}),
    out: named.count ?? 1,
    ...(named.bag && spot ? { text: spot } : {}),
  };
}

const wordsOf = (text: string) => text.toLowerCase().split(/\s+/).filter(Boolean);

function matches(line: BalanceLine, named: Named): boolean {
  if (named.account && named.account !== line.account) return false;
  if (named.bag && named.bag !== line.place.toLowerCase()) return false;
  const item = named.item?.toLowerCase();
  if (item && item !== line.item.toLowerCase() && !line.item.toLowerCase().startsWith(`${item}×`))
    return false;
  const has = new Set([...wordsOf(line.place), ...wordsOf(line.item)]);
  return [...named.sides, ...named.names.flatMap(wordsOf)].every((word) => has.has(word));
}

/** What goes back must be out: the line is matched against what is open, and never books more than that. */
export function readBack(words: Token[], text: string, context: LineContext): EntryDraft[] | Expectation {
  const named = readNames(words, {
    ...context,
    names: [
      ...(context.names ?? []),
      ...context.open.flatMap((line) => wordsOf(`${line.place} ${line.item}`)),
    ],
  });
  if ("expected" in named) return named;
  if (!named.account && !named.bag && named.sides.length + named.names.length === 0) {
    return { expected: "what went back: in bag 2, in upper hose, in fan plug left", at: text.length };
  }
  const found = context.open.filter((line) => matches(line, named));
  const at = words[0]?.at ?? text.length;
  const [only] = found;
  if (!only) {
    const out = context.open.map((line) => thing(line, line.open)).slice(0, 4);
    return {
      expected: out.length
        ? `something that is out: ${out.join("; ")}`
        : "nothing: nothing is out in this job",
      at,
    };
  }
  const places = new Set(found.map((line) => line.place.toLowerCase()));
  if (found.length > 1 && (named.count !== undefined || places.size > 1)) {
    return { expected: `which of them: ${found.map((line) => thing(line, line.open)).join("; ")}`, at };
  }
  if (named.count !== undefined && named.count > only.open) {
    return {
      expected: `at most ${only.open}: that is what is still out of ${thing(only)}`,
      at: named.countAt ?? at,
    };
  }
  return found.map((line) => ({
    kind: "movement" as const,
    account: line.account,
    item: line.item,
    ...(line.place ? { place: line.place } : {}),
    in: named.count ?? line.open,
  }));
}
