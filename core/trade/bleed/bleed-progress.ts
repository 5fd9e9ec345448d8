import { quantiles, type Weighed } from "../../kernel/statistics/index.ts";
import type { Verdict } from "../../kernel/verdict/index.ts";
import { MOST_CYCLES, waysOut } from "./pockets.ts";
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
const POURED_L = 0.04;
const STEADY_L = 0.06;
/** What explains the top-ups so much worse than the best is left out. */
const NEGLIGIBLE = 12;
/** As likely as that, and a leak is spoken of; it takes so many top-ups to tell it from air. */
const LEAK_LIKELY = 0.6;
const LEAST_FOR_LEAK = 4;

interface Still {
  stillL: BleedProgress["stillL"];
  /** How likely a leak takes some of it, 0 to 1. */
  leak: number;
}

/** Every way in which air may leave, weighed by how well it explains what was topped up. */
function still(poured: readonly number[]): Still {
  const ways = waysOut();
  const logs = ways.map(({ swallows }) => {
    let off = 0;
    for (let cycle = 0; cycle < poured.length; cycle++) {
      // A large one is misjudged by more: jugs and eyes go by shares.
      const litres = poured[cycle] ?? 0;
      const deviation = Math.hypot(POURED_L, 0.06 * litres);
      off += ((litres - (swallows[cycle] ?? 0)) / deviation) ** 2 / 2;
    }
    return -off;
  });
  const best = logs.reduce((most, log) => Math.max(most, log), Number.NEGATIVE_INFINITY);
  const all: (Weighed & { hasLeak: boolean })[] = ways.flatMap(({ leftL, hasLeak }, place) => {
    const log = (logs[place] ?? 0) - best;
    return log < -NEGLIGIBLE
      ? []
      : [{ value: leftL[poured.length - 1] ?? 0, weight: Math.exp(log), hasLeak }];
  });
  const total = all.reduce((sum, { weight }) => sum + weight, 0);
  const leaking = all.reduce((sum, { weight, hasLeak }) => sum + (hasLeak ? weight : 0), 0);
  const [low = 0, likely = 0, high = 0] = quantiles(all, [0.19, 0.5, 0.83]);
  return {
    stillL: { low: low < POURED_L / 2 ? 0 : low, likely, high: Math.min(MOST_STILL_L, high) },
    leak: leaking / total,
  };
}

/**
 * How much coolant is still to go in where air is now, litres, from what was topped up cycle after cycle: each lets out
 * about the same share of the air that moves, some hangs where little flows, some lets go late, and a leak may take as
 * much each time; every way is weighed by how well it explains them. `done` passes only where each of `SIGNS` was seen to pass; a level that still falls, or a
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
  const { stillL, leak } = still(poured);
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
  if (poured.length >= LEAST_FOR_LEAK && leak >= LEAK_LIKELY)
    return {
      stillL,
      done: "fail",
      because: "It takes about as much each time, which air doesn't: look for a leak before you go on.",
    };
  if (failed.length > 0) return { stillL, done: "fail", because: `Not out yet. Not so: ${words(failed)}.` };
  if (unseen.length > 0) return { stillL, done: "not-seen", because: `Not seen yet: ${words(unseen)}.` };
  return {
    stillL,
    done: "pass",
    because: "Every sign was seen. Look at the level again after a night, and after some driving.",
  };
}
