import { adapt, type FitLine, line, notYet, RULER_MM, SAME, SLOT_MM, stop } from "./fit-line.ts";
import { mm } from "./measure.ts";
import type { Unit } from "./unit.ts";

/** What holds it to the body, and the rubber between. */
export function pegLines(old: Unit, made: Unit): FitLine[] {
  const say = ({ bottom, bottomApartMm, top, topApartMm, bushes }: NonNullable<Unit["pegs"]>) =>
    `${bottom} below${bottomApartMm === undefined ? "" : `, ${mm(bottomApartMm)} apart`}; ${top} above${topApartMm === undefined ? "" : `, ${mm(topApartMm)} apart`}; ${bushes === undefined ? "rubber not looked at" : bushes ? "in rubber" : "solid"}`;
  return line("pegs", old.pegs, made.pegs, say, (before, now) => {
    if (before.bottom !== now.bottom || before.top !== now.top)
      return stop("The pegs are not those of this body: another variant.");
    const off = Math.max(
      Math.abs((before.bottomApartMm ?? 0) - (now.bottomApartMm ?? before.bottomApartMm ?? 0)),
      Math.abs((before.topApartMm ?? 0) - (now.topApartMm ?? before.topApartMm ?? 0)),
    );
    if (off > SLOT_MM)
      return stop(`They stand ${mm(off)} off: it won't go into its brackets without being forced.`);
    if (off > RULER_MM) return adapt(`They stand ${mm(off)} off: open the slots of the brackets.`, 20);
    if (before.bushes && now.bushes === false)
      return adapt("Move the bushes over: without rubber the body's flex cracks the tanks.", 5, "bushes");
    const known = [before, now].flatMap(({ bottomApartMm, topApartMm, bushes }) => [
      bottomApartMm,
      topApartMm,
      bushes,
    ]);
    if (known.includes(undefined))
      return notYet("Measure how far they stand apart, and look for their rubber, on both.");
    return SAME;
  });
}
