import { format } from "../../units/index.ts";
import type { EntryDraft } from "../entry.ts";
import type { Expectation, LineContext } from "./line.ts";
import { figureOf, type Token } from "./tokens.ts";
import { FILLERS, type Move } from "./vocabulary.ts";

/** No vehicle that this is for holds more. */
const MOST_LITRES = 200;

/** Coolant out of the car, into it, or a change of what it holds: one figure in litres, a strength in percent if given. */
export function readCoolant(
  move: Exclude<Move, "out" | "in" | "unplug">,
  words: Token[],
  text: string,
  context: LineContext,
): EntryDraft | Expectation {
  let litres: number | undefined;
  let fraction: number | undefined;
  const from: string[] = [];
  for (const token of words) {
    const volume = figureOf(token, "volume", context.system);
    if (token.quantity?.dimension === "fraction") {
      if (token.quantity.value < 0 || token.quantity.value > 1)
        return { expected: "a strength from 0 % to 100 %", at: token.at };
      fraction = token.quantity.value;
    } else if (volume !== undefined && litres === undefined) {
      if (Math.abs(volume) > MOST_LITRES || (volume <= 0 && move !== "capacity")) {
        return {
          expected: `a volume from 0 to ${format(MOST_LITRES, "volume", context.system)}`,
          at: token.at,
        };
      }
      litres = volume;
    } else if (volume !== undefined || token.bare !== undefined || token.quantity) {
      return { expected: "one volume, and a strength in %", at: token.at };
    } else if (token.quoted || (move === "kept" && /^[a-z-]+$/.test(token.word))) from.push(token.word);
    else if (!FILLERS.has(token.word) && !["coolant", "water", "about", "change"].includes(token.word)) {
      return { expected: "a volume and, if known, a strength: 4 L 50 %", at: token.at };
    }
  }
  if (litres === undefined) return { expected: "how much: 5.2 L", at: text.length };
  const base = { kind: "movement", account: "coolant", unit: "L" } as const;
  const data = fraction === undefined ? undefined : { fraction };
  const place = from.filter((word) => !FILLERS.has(word)).join(" ") || undefined;
  switch (move) {
    case "pour":
      return { ...base, item: "poured", in: litres, data };
    case "capacity":
      return litres >= 0
        ? { ...base, item: "capacity", in: litres }
        : { ...base, item: "capacity", out: -litres };
    default: {
      const item = { drain: "drained", spill: "spilled", kept: "kept", missing: "missing" }[move];
      return { ...base, item, out: litres, data, ...(place ? { place } : {}) };
    }
  }
}
