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
    const [was, is] = inPairs(leadingTo(old, feeds), leadingTo(made, feeds));
    const what = /engine|tank|heater/.test(feeds) ? `neck that feeds the ${feeds}` : feeds;
    return Array.from({ length: Math.max(was.length, is.length) }, (_, at) => {
      const many = Math.max(was.length, is.length) > 1 ? `${what}, ${at + 1}` : what;
      return pairLines(many, was[at], is[at], { old, made, say });
    }).flat();
  });
}

/** Where nobody says so, a list with both of the engine's necks, which every unit has, is one that was gone through. */
const isGoneThrough = ({ necks = [], areNecksAll }: Unit) =>
  areNecksAll ?? ENGINE_NECKS.every((feeds) => necks.some((neck) => neck.feeds === feeds));
const ENGINE_NECKS: readonly Neck["feeds"][] = ["engine outlet", "engine inlet"];

const leadingTo = ({ necks = [] }: Unit, feeds: Neck["feeds"]) =>
  necks.filter((neck) => neck.feeds === feeds);

const FAR_MM = 1e6;
const between = (a: number | undefined, b: number | undefined) =>
  a === undefined || b === undefined ? 0 : Math.abs(a - b);
/** How far apart two necks are, by what was measured of both; another side is further than any height. */
const apart = (a: Neck, b: Neck) =>
  (a.side === b.side ? 0 : FAR_MM) + between(a.heightMm, b.heightMm) + between(a.diameterMm, b.diameterMm);

/** Several that lead to the same: each beside the nearest of the other unit. */
function inPairs(was: readonly Neck[], is: readonly Neck[]): [Neck[], Neck[]] {
  const left = [...is];
  const beside = was.flatMap((neck) => {
    const nearest = [...left].sort((a, b) => apart(neck, a) - apart(neck, b))[0];
    if (!nearest) return [];
    left.splice(left.indexOf(nearest), 1);
    return [nearest];
  });
  return [[...was], [...beside, ...left]];
}

function pairLines(
  what: string,
  was: Neck | undefined,
  is: Neck | undefined,
  { old, made, say }: { old: Unit; made: Unit; say: (neck: Neck) => string },
): FitLine[] {
  // Only of a unit that was gone through whole is what isn't among its necks not there.
  if (!was && is && isGoneThrough(old))
    return [
      { what, old: "none", new: say(is), ...adapt(`Cap it: nothing leads there.`, 10, "blanking cap") },
    ];
  if (was && !is && isGoneThrough(made))
    return [{ what, old: say(was), new: "none", ...stop("There is nowhere for it to go: another variant.") }];
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
}
