import type { Entry } from "../book/entry/index.ts";
import { factsOf, SeenApart, type SeenAs } from "../book/facts/index.ts";

/** What costs a part while the car is apart, and the whole job later; with what to look for on it. */
const APART: readonly { what: string; look: string }[] = [
  { what: "upper hose", look: "cracks, soft or swollen, split ends" },
  { what: "lower hose", look: "cracks, soft or swollen, split ends" },
  { what: "heater hoses", look: "cracks, dry rot, oil on them" },
  { what: "clamps", look: "rust, lost spring" },
  { what: "cap", look: "seal, spring, its rating" },
  { what: "thermostat", look: "age, its seal" },
  { what: "bushes", look: "hard, flat, torn" },
  { what: "air filter", look: "dirt, damp" },
  { what: "condenser fins", look: "shut, bent" },
  { what: "belt", look: "cracks, glaze, coolant on it" },
];

export interface ApartRow {
  what: string;
  look: string;
  as?: SeenAs;
  /** What was said of it. */
  text?: string;
}

/** What was looked at while the car was apart, the usual things first, then whatever else somebody looked at. */
export function whileApart(entries: readonly Entry[]): ApartRow[] {
  const said = new Map(factsOf(entries, SeenApart).map((each) => [each.fact.what, each]));
  const rows = [
    ...APART,
    ...[...said.keys()]
      .filter((what) => !APART.some((each) => each.what === what))
      .map((what) => ({ what, look: "" })),
  ];
  return rows.map(({ what, look }) => {
    const last = said.get(what);
    return { what, look, ...(last ? { as: last.fact.as, text: last.entry.text } : {}) };
  });
}
