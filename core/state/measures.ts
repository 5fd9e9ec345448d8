import { onceStanding } from "../book/entry/index.ts";
import { factOf, factsOf, MeasuredUnit } from "../book/facts/index.ts";

/** One quantity of the unit that is in the car: a depth over all is not its core's. */
export interface Measure {
  quantity: keyof MeasuredUnit;
  /** Measured, looked at and there is none, or nobody has looked: three different things. */
  is: "measured" | "none" | "not looked at";
  /** Millimetres, blades, or the word that was written; absent where nothing was measured. */
  value?: number | string | boolean;
  /** The line that says so. */
  entryId?: string;
}

/** Every quantity that can be measured of it, in the order in which a bench asks for them. */
const QUANTITIES = [
  "widthMm",
  "heightMm",
  "depthMm",
  "coreMm",
  "coreWidthMm",
  "coreHeightMm",
  "outletSide",
  "outletHeightMm",
  "outletWideMm",
  "inletSide",
  "inletHeightMm",
  "inletWideMm",
  "bottomApartMm",
  "topApartMm",
  "bushes",
  "oilCooler",
  "oilPortsMm",
  "oilPortOutMm",
  "mountsApartMm",
  "mountThreadMm",
  "mountDepthMm",
  "bracketsApartMm",
  "condenserMounts",
  "plug",
  "blades",
  "pulls",
  "roomMm",
  "fanDepthMm",
  "belowMm",
  "pipesFreeMm",
  "shroudFreeMm",
] as const satisfies readonly (keyof MeasuredUnit)[];

/** What is a thing that may be missing, and not a figure or a way round. */
const MAY_BE_NONE: ReadonlySet<string> = new Set(["bushes", "condenserMounts", "oilCooler"]);
/** Nobody measures these of a car whose oil is cooled elsewhere. */
const OF_OIL_COOLER: ReadonlySet<string> = new Set(["oilPortsMm", "oilPortOutMm"]);

const isNone = (quantity: string, value: unknown) =>
  MAY_BE_NONE.has(quantity) && (value === false || value === "none");

/**
 * What was measured of the unit in this car, a quantity a row, whichever of several lines said it last. What no line speaks of
 * was not looked at, and is not none.
 */
export const measuresOf = onceStanding(
  (entries): readonly Measure[] => {
    const said = factsOf(entries, MeasuredUnit);
    const lastOf = (quantity: keyof MeasuredUnit) =>
      said.findLast(({ fact }) => fact[quantity] !== undefined);
    const hasNoCooler = lastOf("oilCooler")?.fact.oilCooler === "none";
    return QUANTITIES.map((quantity): Measure => {
      const last = lastOf(quantity);
      if (!last)
        return {
          quantity,
          is: hasNoCooler && OF_OIL_COOLER.has(quantity) ? "none" : "not looked at",
        };
      const value = last.fact[quantity];
      return isNone(quantity, value)
        ? { quantity, is: "none", entryId: last.entry.id }
        : { quantity, is: "measured", value, entryId: last.entry.id };
    });
  },
  (added) => factOf(added)?.fact instanceof MeasuredUnit,
);
