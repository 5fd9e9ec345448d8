import { testedOwn } from "../book/acts/index.ts";
import type { OwnTest } from "../book/facts/index.ts";
import type { Read } from "./line.ts";
import type { Word } from "./words.ts";

type Verdict = OwnTest["verdict"];

/** How a test went, in the words people use; longer ones first, so that "did not pass" is never a pass. */
const VERDICTS: [Verdict, string][] = [
  ...(
    [
      "did not pass",
      "does not pass",
      "didn't pass",
      "doesn't pass",
      "not passed",
      "never passes",
      "never passed",
      "never pass",
    ] as const
  ).map((said): [Verdict, string] => ["fail", said]),
  ...(
    [
      "no pass",
      "not pass",
      "no good",
      "not good",
      "not ok",
      "not okay",
      "not working",
      "does not work",
      "doesn't work",
      "did not work",
      "didn't work",
    ] as const
  ).map((said): [Verdict, string] => ["fail", said]),
  ...(
    [
      "not seen",
      "not sure",
      "not tested",
      "not done",
      "not reached",
      "not tried",
      "can't tell",
      "could not tell",
      "couldn't tell",
    ] as const
  ).map((said): [Verdict, string] => ["not-seen", said]),
  ...(["no fault", "no fault found"] as const).map((said): [Verdict, string] => ["pass", said]),
  ...(["fail", "fails", "failed", "bad", "dead", "broken", "faulty", "never"] as const).map(
    (said): [Verdict, string] => ["fail", said],
  ),
  ...(["pass", "passes", "passed", "ok", "okay", "good", "fine", "sound", "works"] as const).map(
    (said): [Verdict, string] => ["pass", said],
  ),
  ...(["unsure", "unseen", "skipped"] as const).map((said): [Verdict, string] => ["not-seen", said]),
];
const LONGEST_FIRST = [...VERDICTS].sort(([, a], [, b]) => b.length - a.length);
const DENIALS = new Set([
  "not",
  "no",
  "never",
  "didn't",
  "doesn't",
  "don't",
  "isn't",
  "wasn't",
  "without",
  "hardly",
  "can't",
  "cannot",
  "won't",
  "nothing",
  "neither",
  "almost",
  "nearly",
  "barely",
  "half",
  "maybe",
  "perhaps",
  "probably",
  "should",
  "would",
  "could",
  "must",
  "might",
  "may",
  "will",
  "if",
  "nor",
]);
const OPENERS = new Set(["test", "tested", "check", "checked", "retest", "retested"]);
/** Between the thing and how it went. */
const LINKS = new Set(["is", "was", "are", "were", ":", "=", "-", "it", "that"]);

const WANTED = "what was tested, then pass, fail or not seen: test fuse 12 pass";

function verdictAtEnd(words: readonly Word[]): { verdict: Verdict; used: number } | undefined {
  for (const [verdict, said] of LONGEST_FIRST) {
    const used = said.split(" ").length;
    const last = words.slice(-used);
    if (
      last.length === used &&
      last.every(({ quoted }) => !quoted) &&
      last.map(({ word }) => word).join(" ") === said
    )
      return { verdict, used };
  }
  return undefined;
}

/** A test that only the person knows: what was tested, and how it went in the last words of the line. */
export function readTest(words: readonly Word[], text: string): Read {
  const [first, ...rest] = words;
  if (!first || first.quoted || !OPENERS.has(first.word)) return undefined;
  // "checked level cold" is a look at the level, and no test.
  if (first.word.startsWith("check") && rest.some(({ word }) => word === "level")) return undefined;
  const end = words.at(-1)?.end ?? text.length;
  const found = verdictAtEnd(rest);
  if (!found) return { expected: WANTED, at: end };
  const tested = rest.slice(0, rest.length - found.used);
  while (tested.length > 0 && LINKS.has(tested.at(-1)?.word ?? "")) tested.pop();
  const [from, to] = [tested[0], tested.at(-1)];
  if (!from || !to) return { expected: WANTED, at: rest[0]?.at ?? end };
  const isDenial = ({ word, quoted }: Word) => !quoted && DENIALS.has(word);
  const denial = found.verdict === "fail" ? tested.slice(-2).find(isDenial) : tested.find(isDenial);
  const other = tested.find((_, index) => {
    const upTo = verdictAtEnd(tested.slice(0, index + 1));
    return upTo !== undefined;
  });
  const doubt = denial ?? other;
  if (doubt)
    return {
      expected: "one word for how it went: pass, fail or not seen, and none that denies it",
      at: doubt.at,
    };
  const item = text
    .slice(from.at, to.end)
    .replace(/[,;:]+$/, "")
    .trim();
  return [testedOwn(item, found.verdict)];
}
