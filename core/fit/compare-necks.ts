import { adapt, type FitLine, line, notYet, SAME, stop } from "./fit-line.ts";
import { mm } from "./measure.ts";
import { FEEDS, type Neck, type Unit } from "./unit.ts";

/** Where a neck may sit off and its hose still reach without a kink. */
const HOSE_GIVES_MM = 40;
/** A hose goes over a neck so much bigger or smaller, and its clamp closes. */
const HOSE_STRETCHES_MM = 1.5;

/** Every neck and port by what it leads to. */
export function neckLines(old: Unit, made: Unit): FitLine[] {
  const say = ({ side, heightMm, diameterMm }: Neck) =>
    [
      side,
      heightMm === undefined ? "" : `${mm(heightMm)} up`,
      diameterMm === undefined ? "" : `${mm(diameterMm)} wide`,
    ]
      .filter(Boolean)
      .join(", ");
  return FEEDS.flatMap((feeds) => {
    const [was, is] = [old, made].map((unit) => unit.necks?.find((neck) => neck.feeds === feeds));
    if (!was && !is) return [];
    const what = /engine|tank|heater/.test(feeds) ? `neck that feeds the ${feeds}` : feeds;
    // A neck of a unit whose necks were gone through and that isn't among them is not there.
    if (!was && old.necks && is)
      return [
        { what, old: "none", new: say(is), ...adapt(`Cap it: nothing leads there.`, 10, "blanking cap") },
      ];
    if (!is && made.necks && was)
      return [
        { what, old: say(was), new: "none", ...stop("There is nowhere for it to go: another variant.") },
      ];
    return line(what, was, is, say, (before, now) => {
      if (before.side !== now.side)
        return stop(`It is on the ${now.side}, and its hose comes from the ${before.side}.`);
      const [a, b] = [before.diameterMm, now.diameterMm];
      if (a !== undefined && b !== undefined && Math.abs(a - b) > HOSE_STRETCHES_MM)
        return adapt(`Its hose is ${mm(a)} wide: a stepped hose or sleeve.`, 25, "stepped hose");
      const [low, high] = [before.heightMm, now.heightMm];
      if (low !== undefined && high !== undefined && Math.abs(low - high) > HOSE_GIVES_MM)
        return adapt(`It sits ${mm(Math.abs(low - high))} off: lay the hose there and look for a kink.`, 15);
      if ([a, b, low, high].includes(undefined))
        return notYet("Measure its height and its width across on both.");
      return SAME;
    });
  });
}
