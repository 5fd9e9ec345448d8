import type { Verdict } from "../judgement/index.ts";
import { quantiles, ratios, steps, type Weighed } from "./quantile.ts";
import { SIGNS, type Sign } from "./schools.ts";

export const SIGN_WORDS: Record<Sign, string> = {
  level: "level steady over two cycles",
  bubbles: "no bubbles",
  heater: "heater blows hot",
  hoses: "top hose hot, then bottom hose warm",
  fan: "a fan cycle seen",
  gurgle: "no gurgle behind the dash",
  "cold-level": "cold again, level at the line",
};

export interface Cycle {
  /** Litres that went in after this warm-up and cool-down. */
  toppedUpL: number;
}

export interface BleedProgress {
  /** Litres still to go in, with the interval that holds the truth in four cases of five. */
  stillL: { low: number; likely: number; high: number };
  done: Verdict;
  because: string;
}

const MOST_STILL_L = 8;
/** A top-up is poured to so many litres, one standard deviation, and a level is steady within this. */
const POURED_L = 0.025;
const STEADY_L = 0.06;
/** How unlike one cycle's share of the air may be to the next one's, on the scale of log odds: the top-ups tell which. */
const UNLIKES = [0.06, 0.18, 0.5];
/** What one cycle mostly lets out of what is left, and how much air a filled system mostly has. */
const USUAL_SHARE = { middle: 0.55, spread: 0.2 };
const USUAL_AIR = { middleL: 1.2, spread: 1 };
const SHARES = steps(0.12, 0.92, 21);
const STILLS = ratios(0.004, MOST_STILL_L, 60);
const MOST_CYCLES = 12;

/** How well so much air left, and such a share of it out in each cycle, explain what was topped up: log of a density. */
function explains(poured: readonly number[], stillL: number, share: number, unlike: number): number {
  const usual = Math.log(share / (1 - share));
  let left = stillL;
  let log = 0;
  for (const litres of [...poured].reverse()) {
    const before = left + litres;
    const out = Math.min(0.997, Math.max(0.003, litres / before));
    const slope = before * out * (1 - out);
    const deviation = Math.hypot(unlike, POURED_L / slope);
    const off = (Math.log(out / (1 - out)) - usual) / deviation;
    log += -(off * off) / 2 - Math.log(deviation) - Math.log(slope);
    left = before;
  }
  const odds = (share - USUAL_SHARE.middle) / USUAL_SHARE.spread;
  const doublings = Math.log(left / USUAL_AIR.middleL) / USUAL_AIR.spread;
  return log - (odds * odds + doublings * doublings) / 2 + Math.log(stillL / left);
}

function still(poured: readonly number[]): BleedProgress["stillL"] {
  const logs = STILLS.flatMap((stillL) =>
    SHARES.flatMap((share) =>
      UNLIKES.map((unlike) => ({ value: stillL, log: explains(poured, stillL, share, unlike) })),
    ),
  );
  const best = Math.max(...logs.map(({ log }) => log));
  const all: Weighed[] = logs.map(({ value, log }) => ({ value, weight: Math.exp(log - best) }));
  const [low = 0, likely = 0, high = 0] = quantiles(all, [0.1, 0.5, 0.9]);
  return { low: low < POURED_L / 2 ? 0 : low, likely, high };
}

/**
 * How much coolant is still to go in where air is now, litres, from what was topped up cycle after cycle: each lets out
 * about the same share of the air that is left, so that top-ups fall away by a ratio; every amount and ratio is weighed by
 * how well it explains them. `done` passes only where each of `SIGNS` was seen to pass; a level that still falls, or a
 * sign that failed, fails it; what wasn't seen is named. Throws `RangeError` on a top-up outside 0 to 50 L.
 */
export function bleedProgress(
  cycles: readonly Cycle[],
  signs: Partial<Record<Sign, Verdict>> = {},
): BleedProgress {
  for (const { toppedUpL } of cycles)
    if (!(toppedUpL >= 0 && toppedUpL <= 50))
      throw new RangeError(`${toppedUpL} L is no topping up: 0 to 50 L is.`);
  const poured = cycles.slice(-MOST_CYCLES).map(({ toppedUpL }) => toppedUpL);
  if (poured.length === 0)
    return {
      stillL: { low: 0, likely: 0, high: MOST_STILL_L },
      done: "not-seen",
      because: "No cycle was run yet: warm it up, let it cool, top it up.",
    };
  const stillL = still(poured);
  const isSteady = poured.length >= 2 && poured.slice(-2).every((litres) => litres <= STEADY_L);
  const known: Partial<Record<Sign, Verdict>> = {
    ...signs,
    level:
      signs.level === "fail"
        ? "fail"
        : isSteady
          ? "pass"
          : (poured.at(-1) ?? 0) > STEADY_L
            ? "fail"
            : "not-seen",
  };
  const failed = SIGNS.filter((sign) => known[sign] === "fail");
  const unseen = SIGNS.filter((sign) => (known[sign] ?? "not-seen") === "not-seen");
  const words = (which: readonly Sign[]) => which.map((sign) => SIGN_WORDS[sign]).join("; ");
  if (failed.length > 0) return { stillL, done: "fail", because: `Not out yet. Not so: ${words(failed)}.` };
  if (unseen.length > 0) return { stillL, done: "not-seen", because: `Not seen yet: ${words(unseen)}.` };
  return {
    stillL,
    done: "pass",
    because: "Every sign was seen. Look at the level again after a night, and after some driving.",
  };
}
