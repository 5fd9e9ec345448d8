import type { Dimension } from "../kernel/units/index.ts";
import type { Word } from "./words.ts";

/** What a figure can be of, with the dimension that it must have. */
export interface Subject {
  item: string;
  dimension: Dimension;
  /** The unit that the word itself says: "miles 71000" is miles in every shop. */
  unit?: string;
}

const SUBJECTS: Readonly<Record<string, Subject>> = {
  ect: { item: "coolant sensor", dimension: "temperature" },
  clt: { item: "coolant sensor", dimension: "temperature" },
  coolant: { item: "coolant sensor", dimension: "temperature" },
  "coolant temp": { item: "coolant sensor", dimension: "temperature" },
  "coolant temperature": { item: "coolant sensor", dimension: "temperature" },
  "coolant sensor": { item: "coolant sensor", dimension: "temperature" },
  "engine temp": { item: "coolant sensor", dimension: "temperature" },
  "radiator sensor": { item: "radiator sensor", dimension: "temperature" },
  "radiator temp": { item: "radiator sensor", dimension: "temperature" },
  "rad temp": { item: "radiator sensor", dimension: "temperature" },
  "thermostat housing": { item: "thermostat housing", dimension: "temperature" },
  "housing temp": { item: "thermostat housing", dimension: "temperature" },
  infrared: { item: "thermostat housing", dimension: "temperature" },
  iat: { item: "intake air", dimension: "temperature" },
  intake: { item: "intake air", dimension: "temperature" },
  "intake air": { item: "intake air", dimension: "temperature" },
  "intake temp": { item: "intake air", dimension: "temperature" },
  room: { item: "room", dimension: "temperature" },
  "room temp": { item: "room", dimension: "temperature" },
  ambient: { item: "room", dimension: "temperature" },
  hose: { item: "hose", dimension: "temperature" },
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
