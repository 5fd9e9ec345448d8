import { sawLevel } from "../book/acts/index.ts";
import { LEVEL_WORDS } from "../book/out/index.ts";
import type { Read } from "./line.ts";
import type { Word } from "./words.ts";

type Level = keyof typeof LEVEL_WORDS;

/** Where it stands, longer ones first. */
const MARKS: [string, Level][] = [
  ["below min", "low"],
  ["below minimum", "low"],
  ["below the minimum", "low"],
  ["below the min", "low"],
  ["under min", "low"],
  ["under the minimum", "low"],
  ["none to be seen", "empty"],
  ["min", "min"],
  ["minimum", "min"],
  ["line", "line"],
  ["mark", "line"],
  ["max", "max"],
  ["maximum", "max"],
  ["low", "low"],
  ["empty", "empty"],
];
const HEATS = { cold: "cold", hot: "hot", warm: "hot" } as const;
const PLAIN = new Set([
  "level",
  "coolant",
  "is",
  "at",
  "on",
  "the",
  "cap",
  "off",
  "tank",
  "engine",
  "checked",
  "look",
  "and",
]);

const WANTED = "where it stands: level line, min, max, low or empty, and cold if it was cold";

/** Where the coolant stands, and cold or hot where that is said. */
export function readLevel(words: readonly Word[]): Read {
  const isLevel = words.findIndex(({ word }) => word === "level");
  if (isLevel < 0 || isLevel > 2 || words.some(({ word }) => word === "sensor" || word === "switch"))
    return undefined;
  let level: Level | undefined;
  let heat: "cold" | "hot" | undefined;
  for (let index = 0; index < words.length; ) {
    const word = words[index] as Word;
    const mark = MARKS.find(([said]) => {
      const stretch = words.slice(index, index + said.split(" ").length);
      return stretch.map((each) => each.word).join(" ") === said;
    });
    if (mark) {
      if (level) return { expected: "one mark: line, min, max, low or empty", at: word.at };
      level = mark[1];
      index += mark[0].split(" ").length;
      continue;
    }
    if (Object.hasOwn(HEATS, word.word)) {
      const said = HEATS[word.word as keyof typeof HEATS];
      if (heat && heat !== said) return { expected: "cold or hot, not both", at: word.at };
      heat = said;
    } else if (!PLAIN.has(word.word))
      return { expected: level ? "cold, hot or nothing more" : WANTED, at: word.at };
    index++;
  }
  if (!level) return { expected: WANTED, at: words.at(-1)?.end ?? 0 };
  return [sawLevel(level, heat)];
}
