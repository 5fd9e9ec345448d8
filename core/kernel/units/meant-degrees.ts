import { typedFigure } from "../csv/index.ts";
import { fromShown } from "./format.ts";
import { readShown } from "./read-shown.ts";
import type { System } from "./units.ts";

/** Coolant that is warm in °C and cool in °F: in a shop of °F it may have been read off in °C. */
const EITHER_F = { least: 60, most: 125 };
/** What no engine's coolant reaches in °C: in a shop of °C it may have been read off in °F. */
const BEYOND_C = { least: 140, most: 300 };

/** Whether a bare figure of an engine's heat may well have been read in the degrees that the shop isn't shown. */
export function mayBeOtherDegrees(figure: number, system: System): boolean {
  const { least, most } = system === "us" ? EITHER_F : BEYOND_C;
  return figure >= least && figure <= most;
}

/** What a figure may mean: the degrees it was read in, and the temperature in °C. */
export interface MeantDegrees {
  system: System;
  celsius: number;
}

/**
 * What a typed temperature of an engine may mean: one reading of it, or two where it is bare and makes sense in both degrees, so
 * that whoever typed it is asked; none where it is no temperature. The shop's own degrees come first.
 * @example meantDegrees("110", "us") // 110 °F and 110 °C
 */
export function meantDegrees(text: string, system: System): MeantDegrees[] {
  const celsius = readShown(text, "temperature", system);
  if (celsius === undefined) return [];
  const own = { system, celsius };
  const figure = typedFigure(text);
  if (figure === undefined || !mayBeOtherDegrees(figure, system)) return [own];
  const other: System = system === "us" ? "metric" : "us";
  return [own, { system: other, celsius: fromShown(figure, "temperature", other) }];
}
