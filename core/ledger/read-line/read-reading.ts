import type { EntryDraft } from "../../book/index.ts";
import { Distance, dataOf, FAN_SAID, FanHeard, type FanSaid, UNIT_RANGES } from "../../facts/index.ts";
import { type Dimension, SHOWN } from "../../units/index.ts";
import { HOSE_SIDES, PARTS, SIDES } from "./lexicon.ts";
import type { Expectation, LineContext, Read } from "./line.ts";
import { distanceAt, type FigureRead, figureAt, JOIN, settledFigure, type Word } from "./words.ts";

interface Subject {
  item: string;
  dimension: Dimension;
}

const SUBJECTS: Readonly<Record<string, Subject>> = {
  ect: { item: "coolant sensor", dimension: "temperature" },
  clt: { item: "coolant sensor", dimension: "temperature" },
  coolant: { item: "coolant sensor", dimension: "temperature" },
  "coolant temp": { item: "coolant sensor", dimension: "temperature" },
  "coolant temperature": { item: "coolant sensor", dimension: "temperature" },
  "coolant sensor": { item: "coolant sensor", dimension: "temperature" },
  "engine temp": { item: "coolant sensor", dimension: "temperature" },
  iat: { item: "intake air", dimension: "temperature" },
  intake: { item: "intake air", dimension: "temperature" },
  "intake air": { item: "intake air", dimension: "temperature" },
  "intake temp": { item: "intake air", dimension: "temperature" },
  room: { item: "room", dimension: "temperature" },
  "room temp": { item: "room", dimension: "temperature" },
  ambient: { item: "room", dimension: "temperature" },
  hose: { item: "hose", dimension: "temperature" },
  rpm: { item: "revs", dimension: "revs" },
  revs: { item: "revs", dimension: "revs" },
  volts: { item: "voltage", dimension: "voltage" },
  voltage: { item: "voltage", dimension: "voltage" },
  ohms: { item: "resistance", dimension: "resistance" },
  resistance: { item: "resistance", dimension: "resistance" },
  amps: { item: "current", dimension: "current" },
  current: { item: "current", dimension: "current" },
  draws: { item: "current", dimension: "current" },
  draw: { item: "current", dimension: "current" },
  cap: { item: "cap pressure", dimension: "pressure" },
  "cap pressure": { item: "cap pressure", dimension: "pressure" },
  pressure: { item: "pressure", dimension: "pressure" },
  distance: { item: "distance", dimension: "distance" },
  odo: { item: "distance", dimension: "distance" },
  odometer: { item: "distance", dimension: "distance" },
  mileage: { item: "distance", dimension: "distance" },
  miles: { item: "distance", dimension: "distance" },
  km: { item: "distance", dimension: "distance" },
  clock: { item: "distance", dimension: "distance" },
};

/** What a figure is of where only its unit says so. */
const BY_UNIT: Partial<Record<Dimension, string>> = {
  revs: "revs",
  voltage: "voltage",
  resistance: "resistance",
  current: "current",
  pressure: "pressure",
  distance: "distance",
};

const CORE_UNIT: Partial<Record<Dimension, string>> = {
  temperature: "°C",
  revs: "rpm",
  voltage: "V",
  resistance: "Ω",
  current: "A",
  pressure: "kPa",
  distance: "km",
};

const SPOKEN = new Set(
  "at is was of the a an to = reads reading shows read now just came comes about sensor temp temperature engine measured".split(
    " ",
  ),
);
/** Where a meter's leads were. */
const LEADS = new Set(
  "plug connector battery ground pin terminal side positive negative plus minus across between idle load under hot cold running end".split(
    " ",
  ),
);

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
const FAN = new Set(["fan", "fans"]);
/** A fan starts and stops between these; a figure outside them is no temperature of it. */
const FAN_RANGE_C = [40, 150] as const;

/** What a stretch of words says that the fan did; nothing where it says no such thing. */
function fanSaid(said: readonly string[]): FanSaid | undefined {
  const words = said.filter(Boolean);
  const has = (word: string) => words.includes(word);
  const isDenied = has("not") || has("no") || has("none") || has("still");
  if (isDenied)
    return words.every((word) => ["not", "no", "none", "on", "still"].includes(word)) ? "none" : undefined;
  const how = [
    has("on") || (has("kicked") && !has("off")) ? "on" : "",
    has("off") || has("cut") ? "off" : "",
  ].filter(Boolean);
  const which = words.filter((word) => ["low", "high", "left", "right"].includes(word));
  if (how.length !== 1 || which.length > 1) return undefined;
  const phrase = [which[0] ?? "", how[0] ?? ""].filter(Boolean).join(" ");
  return FAN_SAID.find((each) => each === phrase);
}

interface Found {
  subject?: Subject;
  subjectAt?: number;
  figure?: FigureRead;
  figureAt?: number;
  fan?: FanSaid;
  sides: string[];
  where: string[];
}

function subjectAt(words: readonly Word[], index: number): { subject: Subject; used: number } | undefined {
  for (const used of [2, 1]) {
    const stretch = words.slice(index, index + used);
    if (stretch.length < used || stretch.some(({ quoted }) => quoted)) continue;
    const phrase = stretch.map(({ word }) => word).join(" ");
    const subject = Object.hasOwn(SUBJECTS, phrase) ? SUBJECTS[phrase] : undefined;
    if (subject) return { subject, used };
  }
  return undefined;
}

/** The words about the fan: those that stand together round the word itself, "in" of "kicked in" among them. */
function fanStretch(
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
  const said = words.slice(from, to).map(({ word }) => FAN_WORDS[word] ?? "");
  return { from, to, fan: fanSaid(said) };
}

const WHAT_THE_FAN_DID = "what the fan did: low on, high on, low off, high off, on, off or none";

/** Taken with a meter, whose leads were somewhere. */
const isMetered = ({ subject, figure }: Found) =>
  ["voltage", "resistance", "current"].includes(subject?.dimension ?? figure?.dimension ?? "");

function readAround(words: readonly Word[], context: LineContext): Found | Expectation | undefined {
  const found: Found = { sides: [], where: [] };
  const fan = fanStretch(words);
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
      found.subjectAt = word.at;
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
    const isElectric = isMetered(found);
    if (SIDES.has(word.word)) found.sides.push(word.word);
    else if (word.quoted) found.where.push(word.word);
    else if (isElectric && (FAN.has(word.word) || LEADS.has(word.word))) found.where.push(word.word);
    else if ((isElectric || found.subject?.item === "hose") && PARTS.has(word.word) && !FAN.has(word.word))
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

function rangeTrouble(value: number, dimension: Dimension, at: number): Expectation | undefined {
  const unit = CORE_UNIT[dimension] ?? "";
  const [least, most] = UNIT_RANGES[unit] ?? [0, 0];
  return value < least || value > most
    ? { expected: `a figure from ${least} to ${most} ${unit}`, at }
    : undefined;
}

function draftOf(found: Found, subject: Subject, value: number): EntryDraft {
  const isHose = subject.item === "hose";
  const sides = isHose ? found.sides.map((side) => HOSE_SIDES[side] ?? side) : found.sides;
  const place = [...sides, ...found.where].join(" ");
  const data =
    subject.dimension === "distance"
      ? { data: dataOf(Distance, {}) }
      : found.fan
        ? { data: dataOf(FanHeard, { fan: found.fan }) }
        : {};
  return {
    kind: "reading",
    item: subject.item,
    ...(place ? { place } : {}),
    value,
    unit: CORE_UNIT[subject.dimension],
    ...data,
  };
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
      ? { item: "coolant sensor", dimension: "temperature" as const }
      : byUnit && found.figure?.dimension
        ? { item: byUnit, dimension: found.figure.dimension }
        : undefined);
  if (!subject) return undefined;
  const end = words.at(-1)?.end ?? 0;
  const { label } = SHOWN[subject.dimension][context.system];
  if (!found.figure) return { expected: `a figure in ${label}`, at: end };
  const range = UNIT_RANGES[CORE_UNIT[subject.dimension] ?? ""] ?? [0, 0];
  const { value, doubt } = settledFigure(found.figure, subject.dimension, context.system, range);
  const at = found.figureAt ?? end;
  if (doubt) return { expected: "the figure without a mark, or with one decimal: it could be thousands", at };
  if (value === undefined) return { expected: `a figure in ${label}`, at };
  if (!found.subject && found.fan && (value < FAN_RANGE_C[0] || value > FAN_RANGE_C[1]))
    return { expected: `the temperature at which it did, in ${label}`, at };
  const isPlaceless = subject.dimension === "distance" && found.sides.length + found.where.length > 0;
  if (isPlaceless || (found.fan && subject.dimension !== "temperature"))
    return { expected: `a figure in ${label} and nothing beside it`, at: words[0]?.at ?? 0 };
  return rangeTrouble(value, subject.dimension, at) ?? [draftOf(found, subject, value)];
}
