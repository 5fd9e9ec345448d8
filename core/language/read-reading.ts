import { heardFan, ranDistance, readCoolant } from "../book/acts/index.ts";
import type { EntryDraft } from "../book/entry/index.ts";
import { type FanSaid, UNIT_RANGES } from "../book/facts/index.ts";
import { type Dimension, SHOWN } from "../kernel/units/index.ts";
import { FAN, fanStretch } from "./fan-said.ts";
import { HOSE_SIDES, PARTS, SIDES } from "./lexicon.ts";
import type { Expectation, LineContext, Read } from "./line.ts";
import { BY_UNIT, CORE_UNIT, coolantAt, type Subject, subjectAt } from "./subjects.ts";
import {
  distanceAt,
  type FigureRead,
  figureAt,
  JOIN,
  quantityOf,
  settledFigure,
  type Word,
} from "./words.ts";

const SPOKEN = new Set(
  "at is was of the a an to = reads reading shows read now just came comes about sensor temp temperature engine measured degrees deg current".split(
    " ",
  ),
);
/** Where a meter's leads were. */
const LEADS = new Set(
  "plug connector battery ground pin terminal side positive negative plus minus across between idle load under hot cold running end".split(
    " ",
  ),
);

/** A fan starts and stops between these; a figure outside them is no temperature of it. */
const FAN_RANGE_C = [40, 150] as const;

interface Found {
  subject?: Subject;
  figure?: FigureRead;
  figureAt?: number;
  fan?: FanSaid;
  sides: string[];
  where: string[];
}

const WHAT_THE_FAN_DID = "what the fan did: low on, high on, low off, high off, on, off or none";

/** Taken with a meter, whose leads were somewhere. */
const METERED: (Dimension | undefined)[] = ["voltage", "resistance", "current"];
const isMetered = (subject: Subject | undefined, figures: (Dimension | undefined)[]) =>
  subject ? METERED.includes(subject.dimension) : figures.some((each) => METERED.includes(each) && each);

function readAround(words: readonly Word[], context: LineContext): Found | Expectation | undefined {
  const found: Found = { sides: [], where: [] };
  const fan = fanStretch(words);
  const dimensions = words.map((_, index) => figureAt(words, index)?.dimension);
  for (let index = 0; index < words.length; ) {
    const word = words[index] as Word;
    if (fan?.fan && index === fan.from) {
      found.fan = fan.fan;
      index = fan.to;
      continue;
    }
    const subject = found.subject ? undefined : subjectAt(words, index);
    if (subject) {
      found.subject = subject.subject;
      index += subject.used;
      continue;
    }
    const isDistance = found.subject?.dimension === "distance" || /^[\d.,']+(?:km|mi)$/.test(word.word);
    const far = distanceAt(words, index);
    const figure = far && (isDistance || far.dimension) ? far : figureAt(words, index);
    if (figure) {
      if (found.figure) return { expected: "one figure in the line", at: word.at };
      found.figure = figure;
      found.figureAt = word.at;
      index += figure.used;
      continue;
    }
    const isElectric = isMetered(found.subject, dimensions);
    if (SIDES.has(word.word)) found.sides.push(word.word);
    else if (word.quoted) found.where.push(word.word);
    else if (isElectric && (FAN.has(word.word) || LEADS.has(word.word))) found.where.push(word.word);
    else if ((isElectric || found.subject?.at === "hose") && PARTS.has(word.word) && !FAN.has(word.word))
      found.where.push(PARTS.get(word.word) ?? word.word);
    else if (FAN.has(word.word)) return { expected: WHAT_THE_FAN_DID, at: words[index + 1]?.at ?? word.end };
    else if (!SPOKEN.has(word.word) && word.word !== JOIN) {
      const label = found.subject && SHOWN[found.subject.dimension][context.system].label;
      return {
        expected: label ? `a figure in ${label}, and fan if one was heard` : "a reading",
        at: word.at,
      };
    }
    index++;
  }
  return found;
}

/** A bare figure in the unit that its word says, where it says one. */
const inUnit = (figure: FigureRead, { unit }: Subject): FigureRead =>
  unit && !figure.dimension
    ? { ...figure, ...quantityOf(`${figure.value} ${unit}`), thousands: undefined }
    : figure;

function rangeTrouble(value: number, dimension: Dimension, at: number): Expectation | undefined {
  const unit = CORE_UNIT[dimension] ?? "";
  const [least, most] = UNIT_RANGES[unit] ?? [0, 0];
  return value < least || value > most
    ? { expected: `a figure from ${least} to ${most} ${unit}`, at }
    : undefined;
}

function draftOf(found: Found, subject: Subject, value: number): EntryDraft {
  const isHose = subject.at === "hose";
  const sides = isHose ? found.sides.map((side) => HOSE_SIDES[side] ?? side) : found.sides;
  const place = [...sides, ...found.where].join(" ");
  const read = subject.at
    ? readCoolant(value, subject.at)
    : ({ kind: "reading", item: subject.item, value, unit: CORE_UNIT[subject.dimension] } as const);
  const reading: EntryDraft = { ...read, ...(place ? { place } : {}) };
  if (subject.dimension === "distance") return { ...reading, data: ranDistance(value).data };
  return found.fan ? heardFan(reading, found.fan) : reading;
}

/** "coolant 5.2" is litres to most who type it, and no engine is logged that cold by that word alone. */
const LEAST_BARE_COOLANT_C = 30;
function isLitresAsLikely(words: readonly Word[], { figure, fan, subject }: Found, valueC: number): boolean {
  const isBareWord = words.some(({ word }) => word === "coolant") && subject?.at === "engine";
  const isNamed = words.some(({ word }) => ["temp", "temperature", "sensor", "ect"].includes(word));
  return isBareWord && !isNamed && !fan && !figure?.dimension && valueC < LEAST_BARE_COOLANT_C;
}

/** A figure read off something, with what the fan did at that moment if said; or a fan seen to act at a temperature. */
export function readReading(words: readonly Word[], context: LineContext): Read {
  const found = readAround(words, context);
  if (!found) return undefined;
  const hasSubject = words.some((_, index) => subjectAt(words, index) !== undefined);
  const hasFan = words.some(({ word }) => FAN.has(word));
  if ("expected" in found) return hasSubject || hasFan ? found : undefined;
  const byUnit = found.figure?.dimension && BY_UNIT[found.figure.dimension];
  const subject =
    found.subject ??
    (found.fan && found.figure
      ? coolantAt("engine")
      : byUnit && found.figure?.dimension
        ? { item: byUnit, dimension: found.figure.dimension }
        : undefined);
  if (!subject) return undefined;
  const end = words.at(-1)?.end ?? 0;
  const { label } = SHOWN[subject.dimension][context.system];
  if (!found.figure) return { expected: `a figure in ${label}`, at: end };
  const range = UNIT_RANGES[CORE_UNIT[subject.dimension] ?? ""] ?? [0, 0];
  const { value, doubt } = settledFigure(
    inUnit(found.figure, subject),
    subject.dimension,
    context.system,
    range,
  );
  const at = found.figureAt ?? end;
  if (doubt) return { expected: "the figure without a mark, or with one decimal: it could be thousands", at };
  if (value === undefined) return { expected: `a figure in ${label}`, at };
  if (isLitresAsLikely(words, found, value))
    return { expected: "what of it: ect 5, drain 5 or add 5", at: words[0]?.at ?? 0 };
  if (!found.subject && found.fan && (value < FAN_RANGE_C[0] || value > FAN_RANGE_C[1]))
    return { expected: `the temperature at which it did, in ${label}`, at };
  const isPlaceless = subject.dimension === "distance" && found.sides.length + found.where.length > 0;
  if (isPlaceless || (found.fan && subject.dimension !== "temperature"))
    return { expected: `a figure in ${label} and nothing beside it`, at: words[0]?.at ?? 0 };
  return rangeTrouble(value, subject.dimension, at) ?? [draftOf(found, subject, value)];
}
