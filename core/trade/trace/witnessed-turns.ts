import type { Curve } from "./curve.ts";
import type { Turn } from "./find-turns.ts";
import type { Witness } from "./marks.ts";

/** People mark a fan within this of hearing it, and the curve turns within this of a fan. */
const NEAR_S = 40;
const SLOPE_S = 30;

/** The turns with a person's marks on them; a mark where the curve didn't turn makes a turn of its own. */
export function witnessedTurns(turns: readonly Turn[], witnesses: readonly Witness[], curve: Curve): Turn[] {
  const all = [...turns];
  for (const witness of witnesses) {
    if (witness.kind !== "fan-on" && witness.kind !== "fan-off") continue;
    const { kind, s, stage } = witness;
    const witnessed = { kind, ...(stage === undefined ? {} : { stage }) };
    const wanted = kind === "fan-off" ? "bottom" : "top";
    const near = all
      .map((turn, index) => ({ turn, index, off: Math.abs(turn.at - s) }))
      .filter(({ turn, off }) => off <= NEAR_S && turn.kind === wanted && !turn.witnessed)
      .sort((a, b) => a.off - b.off)[0];
    if (near) all[near.index] = { ...near.turn, witnessed };
    else
      all.push({
        kind: wanted,
        at: s,
        coolantC: curve.mean(s - 2, s + 3),
        before: curve.line(s - SLOPE_S, s).slope,
        after: curve.line(s, s + SLOPE_S).slope,
        swingC: 0,
        witnessed,
      });
  }
  return all.sort((a, b) => a.at - b.at);
}
