import { feltHose } from "../book/acts/index.ts";
import type { Read } from "./line.ts";
import type { Word } from "./words.ts";

const HOT = new Set(["hard", "hot", "firm", "tight"]);
const COOL = new Set(["cool", "cold"]);
const DENIALS = new Set(["not", "no", "never", "isn't", "nor", "hardly", "almost", "nearly"]);
/** "Warm" and "soft" alone say neither: a perished hose is soft too. */
const NEITHER = new Set(["soft", "warm", "lukewarm", "still", "but", "or", "too", "very"]);
const SPOKEN = new Set(["the", "is", "was", "feels", "felt", "now", "and", "to", "hand", "touch", ":", "="]);
const WANTED = "how the upper hose feels: soft and cool, or hard or hot";

/** The upper hose as somebody squeezed it: "upper hose soft and cool". Any other word makes it another kind of line. */
export function readHose(words: readonly Word[]): Read {
  if (words.some(({ quoted }) => quoted)) return undefined;
  const said = words.map(({ word }) => word);
  const at = said.indexOf("hose");
  const before = said.slice(0, at).filter((word) => !SPOKEN.has(word));
  const name = before.join(" ");
  if (at < 0 || !/^(?:upper|top)(?: rad(?:iator)?)?$/.test(name)) return undefined;
  const felt = words.slice(at + 1).filter(({ word }) => !SPOKEN.has(word));
  const isFelt = ({ word }: Word) =>
    HOT.has(word) || COOL.has(word) || NEITHER.has(word) || DENIALS.has(word);
  if (felt.length === 0 || !felt.every(isFelt)) return undefined;
  const has = (all: ReadonlySet<string>) => felt.some(({ word }) => all.has(word));
  const denied = felt.find(({ word }) => DENIALS.has(word));
  if (denied) return { expected: WANTED, at: denied.at };
  if (has(HOT) && !has(COOL)) return [feltHose("hard-or-hot")];
  const isOnly = felt.every(({ word }) => COOL.has(word) || word === "soft");
  if (isOnly && has(COOL) && felt.some(({ word }) => word === "soft")) return [feltHose("soft-and-cool")];
  return { expected: WANTED, at: felt[0]?.at ?? words[at]?.end ?? 0 };
}
