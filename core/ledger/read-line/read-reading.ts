import { SHOWN } from "../../units/index.ts";
import type { EntryDraft } from "../entry.ts";
import type { Expectation, LineContext } from "./line.ts";
import { figureOf, type Token } from "./tokens.ts";
import { FILLERS, READINGS, type ReadingWord, SIDES } from "./vocabulary.ts";

/** What a sensor, gauge or meter in a vehicle shop can show, in core units. */
const RANGES = {
  temperature: [-60, 400],
  revs: [0, 12000],
  voltage: [-60, 60],
  resistance: [0, 1e7],
  pressure: [-101, 1000],
  distance: [0, 5_000_000],
} as const;

const CORE_UNIT = {
  temperature: "°C",
  revs: "rpm",
  voltage: "V",
  resistance: "Ω",
  pressure: "kPa",
  distance: "km",
};

/** A figure read off something, with what the fan did at that moment if said. */
export function readReading(words: Token[], text: string, context: LineContext): EntryDraft | Expectation {
  const first = words[0] as Token;
  const { item, dimension } = READINGS[first.word as ReadingWord];
  const where: string[] = [];
  let value: number | undefined;
  let fan: string | undefined;
  for (let i = 1; i < words.length; i++) {
    const token = words[i] as Token;
    const figure = figureOf(token, dimension, context.system);
    if (figure !== undefined && value === undefined) {
      const [least, most] = RANGES[dimension];
      if (figure < least || figure > most) {
        return { expected: `a figure from ${least} to ${most} ${CORE_UNIT[dimension]}`, at: token.at };
      }
      value = figure;
    } else if (token.word === "fan") {
      const said = words.slice(i + 1);
      const stranger = said.find(
        (word) => !["low", "high", "left", "right", "on", "off", "none"].includes(word.word),
      );
      if (stranger || said.length === 0) {
        return {
          expected: "what the fan did: low on, high on, low off, high off, on, off or none",
          at: stranger?.at ?? text.length,
        };
      }
      fan = said.map((word) => word.word).join(" ");
      break;
    } else if (token.quoted || SIDES.has(token.word) || Object.hasOwn(READINGS, token.word))
      where.push(token.word);
    else if (!FILLERS.has(token.word) && token.word !== "sensor") {
      return {
        expected: `a figure in ${SHOWN[dimension][context.system].label}, and fan if one was heard`,
        at: token.at,
      };
    }
  }
  if (value === undefined)
    return { expected: `a figure in ${SHOWN[dimension][context.system].label}`, at: text.length };
  return {
    kind: "reading",
    item,
    ...(where.length > 0 ? { place: where.join(" ") } : {}),
    value,
    unit: CORE_UNIT[dimension],
    ...(fan ? { data: { fan } } : {}),
  };
}
