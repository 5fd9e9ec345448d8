import { FAN_SAID, type FanSaid } from "../book/facts/index.ts";
import type { Word } from "./words.ts";

const FAN_WORDS: Readonly<Record<string, string>> = {
  low: "low",
  high: "high",
  left: "left",
  right: "right",
  on: "on",
  off: "off",
  none: "none",
  runs: "on",
  running: "on",
  ran: "on",
  started: "on",
  starts: "on",
  start: "on",
  stopped: "off",
  stops: "off",
  stop: "off",
  not: "not",
  no: "no",
  never: "not",
  "didn't": "not",
  did: "",
  come: "",
  kicked: "kicked",
  kicks: "kicked",
  cut: "cut",
  cuts: "cut",
  came: "",
  comes: "",
  went: "",
  goes: "",
  speed: "",
  stage: "",
  still: "still",
  heard: "",
};
export const FAN = new Set(["fan", "fans"]);

/** What a stretch of words says that the fan did; nothing where it says no such thing. */
function fanSaid(said: readonly string[]): FanSaid | undefined {
  const words = said.filter(Boolean);
  const has = (word: string) => words.includes(word);
  const isDenied = has("not") || has("no") || has("none") || has("still");
  if (has("still") && words.every((word) => word === "still" || word === "off")) return "none";
  if (isDenied)
    return words.every((word) => ["not", "no", "none", "on", "still"].includes(word)) ? "none" : undefined;
  const acted = has("kicked") || has("cut");
  const how = [
    has("on") || (acted && has("in")) ? "on" : "",
    has("off") || (acted && has("out")) ? "off" : "",
  ].filter(Boolean);
  const which = words.filter((word) => ["low", "high", "left", "right"].includes(word));
  if (how.length !== 1 || which.length > 1) return undefined;
  const phrase = [which[0] ?? "", how[0] ?? ""].filter(Boolean).join(" ");
  return FAN_SAID.find((each) => each === phrase);
}

/** The words about the fan: those that stand together round the word itself, "in" of "kicked in" among them. */
export function fanStretch(
  words: readonly Word[],
): { from: number; to: number; fan: FanSaid | undefined } | undefined {
  const at = words.findIndex(({ word, quoted }) => !quoted && FAN.has(word));
  if (at < 0) return undefined;
  const isFanWord = (word: Word | undefined, before: Word | undefined) =>
    word !== undefined &&
    !word.quoted &&
    (Object.hasOwn(FAN_WORDS, word.word) ||
      (["in", "out"].includes(word.word) && /^(kick|cut)/.test(before?.word ?? "")));
  let from = at;
  while (from > 0 && isFanWord(words[from - 1], words[from - 2])) from--;
  let to = at + 1;
  while (to < words.length && isFanWord(words[to], words[to - 1])) to++;
  const said = words.slice(from, to).map(({ word }) => (FAN.has(word) ? "" : (FAN_WORDS[word] ?? word)));
  return { from, to, fan: fanSaid(said) };
}
