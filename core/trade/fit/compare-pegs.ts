import { adapt, type FitLine, line, notYet, RULER_MM, SAME, SLOT_MM, stop } from "./fit-line.ts";
import { mm } from "./measure.ts";
import type { Unit } from "./unit.ts";

type Pegs = NonNullable<Unit["pegs"]>;
const HELD = [
  ["bottom", "bottomApartMm", "below"],
  ["top", "topApartMm", "above"],
] as const;

const say = (pegs: Pegs) =>
  [
    ...HELD.map(([count, apart, where]) => {
      const far = pegs[apart] === undefined ? "" : `, ${mm(pegs[apart])} apart`;
      return pegs[count] === undefined ? `not looked at ${where}` : `${pegs[count]} ${where}${far}`;
    }),
    pegs.bushes === undefined ? "rubber not looked at" : pegs.bushes ? "in rubber" : "solid",
  ].join("; ");

const areOff = (a: number | undefined, b: number | undefined) =>
  a === undefined || b === undefined ? 0 : Math.abs(a - b);

/** What holds it to the body, and the rubber between: what nobody measured on one of them says nothing. */
export function pegLines(old: Unit, made: Unit): FitLine[] {
  return line("pegs", old.pegs, made.pegs, say, (before, now) => {
    if (HELD.some(([count]) => areOff(before[count], now[count]) > 0))
      return stop("The pegs are not those of this body: another variant.");
    const off = Math.max(...HELD.map(([, apart]) => areOff(before[apart], now[apart])));
    if (off > SLOT_MM)
      return stop(`They stand ${mm(off)} off: it won't go into its brackets without being forced.`);
    if (off > RULER_MM) return adapt(`They stand ${mm(off)} off: open the slots of the brackets.`, 20);
    if (before.bushes && now.bushes === false)
      return adapt("Move the bushes over: without rubber the body's flex cracks the tanks.", 5, "bushes");
    const isUnknown = [before, now].some(
      (pegs) =>
        pegs.bushes === undefined ||
        // One peg, or none, stands no distance from another.
        HELD.some(([count, apart]) => (pegs[count] ?? 2) > 1 && pegs[apart] === undefined),
    );
    return isUnknown ? notYet("Measure how far they stand apart, and look for their rubber, on both.") : SAME;
  });
}
