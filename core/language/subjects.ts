import { READ_ITEMS, type ReadAt } from "../book/facts/index.ts";
import type { Dimension } from "../kernel/units/index.ts";
import type { Word } from "./words.ts";

/** What a figure can be of, with the dimension that it must have. */
export interface Subject {
  item: string;
  dimension: Dimension;
  /** The unit that the word itself says: "miles 71000" is miles in every shop. */
  unit?: string;
  /** Where the coolant's temperature is read by this word. */
  at?: ReadAt;
}

/** The coolant's temperature, read there. */
export const coolantAt = (at: ReadAt): Subject => ({ item: READ_ITEMS[at], dimension: "temperature", at });

const SUBJECTS: Readonly<Record<string, Subject>> = {
  ect: coolantAt("engine"),
  clt: coolantAt("engine"),
  coolant: coolantAt("engine"),
  "coolant temp": coolantAt("engine"),
  "coolant temperature": coolantAt("engine"),
  "coolant sensor": coolantAt("engine"),
  "engine temp": coolantAt("engine"),
  "radiator sensor": coolantAt("radiator"),
  "radiator temp": coolantAt("radiator"),
  "rad temp": coolantAt("radiator"),
  "thermostat housing": coolantAt("surface"),
  "housing temp": coolantAt("surface"),
  infrared: coolantAt("surface"),
  iat: { item: "intake air", dimension: "temperature" },
  intake: { item: "intake air", dimension: "temperature" },
  "intake air": { item: "intake air", dimension: "temperature" },
  "intake temp": { item: "intake air", dimension: "temperature" },
  room: { item: "room", dimension: "temperature" },
  "room temp": { item: "room", dimension: "temperature" },
  ambient: { item: "room", dimension: "temperature" },
  hose: coolantAt("hose"),
  idle: { item: "revs", dimension: "revs" },
  rpm: { item: "revs", dimension: "revs" },
  revs: { item: "revs", dimension: "revs" },
  volts: { item: "voltage", dimension: "voltage" },
  voltage: { item: "voltage", dimension: "voltage" },
  ohms: { item: "resistance", dimension: "resistance" },
  resistance: { item: "resistance", dimension: "resistance" },
  amps: { item: "current", dimension: "current" },
  draws: { item: "current", dimension: "current" },
  cap: { item: "cap pressure", dimension: "pressure" },
  "cap pressure": { item: "cap pressure", dimension: "pressure" },
  pressure: { item: "pressure", dimension: "pressure" },
  distance: { item: "distance", dimension: "distance" },
  odo: { item: "distance", dimension: "distance" },
  odometer: { item: "distance", dimension: "distance" },
  mileage: { item: "distance", dimension: "distance" },
  miles: { item: "distance", dimension: "distance", unit: "miles" },
  km: { item: "distance", dimension: "distance", unit: "km" },
};

/** What a figure is of where only its unit says so. */
export const BY_UNIT: Partial<Record<Dimension, string>> = {
  revs: "revs",
  voltage: "voltage",
  resistance: "resistance",
  current: "current",
  pressure: "pressure",
  distance: "distance",
};

export const CORE_UNIT: Partial<Record<Dimension, string>> = {
  temperature: "°C",
  revs: "rpm",
  voltage: "V",
  resistance: "Ω",
  current: "A",
  pressure: "kPa",
  distance: "km",
};

/** What is read at a place in a line, by one word or two. */
export function subjectAt(
  words: readonly Word[],
  index: number,
): { subject: Subject; used: number } | undefined {
  for (const used of [2, 1]) {
    const stretch = words.slice(index, index + used);
    if (stretch.length < used || stretch.some(({ quoted }) => quoted)) continue;
    const phrase = stretch.map(({ word }) => word).join(" ");
    const subject = Object.hasOwn(SUBJECTS, phrase) ? SUBJECTS[phrase] : undefined;
    if (subject) return { subject, used };
  }
  return undefined;
}
