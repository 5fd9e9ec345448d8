import { typedFigure } from "../../kernel/csv/index.ts";
import type { System } from "../../kernel/units/index.ts";
import { fromShown, readShown } from "../../kernel/units/index.ts";

export const MOST_KM = 5_000_000;
/** 184 220, 184,220 and 184.220 alike: nobody reads a distance to a thousandth. */
const GROUPED = /^\d{1,3}(?:[ \u00a0\u202f,.']\d{3})+$/;
const GROUP_MARKS = /[ \u00a0\u202f,.']/g;

/** A distance as people type it, km; a bare figure is in the shop's own unit. Nothing where it can't be one. */
export function readDistance(text: string, system: System): number | undefined {
  const typed = text.trim();
  if (typed === "") return undefined;
  const [, figure = typed, unit = ""] = /^(.*?)\s*([a-z]+)$/i.exec(typed) ?? [];
  const plain = GROUPED.test(figure) ? figure.replace(GROUP_MARKS, "") : figure.replace(/[\s\u202f]/g, "");
  try {
    const km = unit
      ? readShown(`${plain} ${unit}`, "distance", system)
      : fromShown(typedFigure(plain) ?? Number.NaN, "distance", system);
    return km !== undefined && km >= 0 && km <= MOST_KM ? km : undefined;
  } catch {
    return undefined;
  }
}
