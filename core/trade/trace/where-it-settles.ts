import { balanceOf, COLUMNS, heatAt, RIDGE, settlesAt } from "./balance.ts";
import type { Findings } from "./findings.ts";
import { GrowingFit } from "./least-squares.ts";
import { idleOf, isIdle } from "./revs.ts";
import type { Trace } from "./trace.ts";

/** Where the climb up to the opening would have come to rest at idle, had it gone on so. */
export interface Settling {
  /** Above the air, °C; without end where nothing of the heat seems to be lost. */
  overAirC: number;
  airC: number;
  /** Revs were raised on the way: heat of revs and loss are told apart less well. */
  isRevved: boolean;
}

/** Shorter, or over less of a climb, a loss can't be told from the metal's own lag. */
const LEAST_S = 480;
const LEAST_CLIMB_C = 30;
/** So near below the opening an engine is shut, if it ever is, °C. */
const BELOW_OPENING_C = 5;
const FIRST_S = 20;
/** A start this far above the air is a warm one, °C. */
const WARM_START_C = 8;
/** The balance tells a climb better than this, °C, or something else went on. */
const MOST_RESIDUAL_C = 0.72;

/** The coldest that the intake was, °C: it warms as the engine does. Nothing where a log has none. */
export function coldestAir({ intakeC }: Pick<Trace, "intakeC">): number | undefined {
  const told = intakeC?.filter((figure) => Number.isFinite(figure)) ?? new Float64Array();
  return told.length > 0 ? told.reduce((low, figure) => Math.min(low, figure)) : undefined;
}

/** Nothing where the log has no air, begins warm, or is too short to say. */
export function whereItSettles({ trace, clean, regimes, spec }: Findings): Settling | undefined {
  const airC = coldestAir(trace);
  const { curve, startC, holds } = regimes;
  if (airC === undefined || startC - airC > WARM_START_C) return undefined;
  const reached = curve.smooth(15).findIndex((figure) => figure > spec.thermostatOpensC - BELOW_OPENING_C);
  const end = reached < 0 ? clean.grid.length : reached;
  if (end < LEAST_S || curve.mean(end - 10, end) - startC < LEAST_CLIMB_C) return undefined;
  const balance = balanceOf(clean.grid, clean.rpm, airC);
  const fit = new GrowingFit(COLUMNS, RIDGE);
  for (let cell = FIRST_S; cell < end; cell++)
    if (clean.known[cell]) fit.add(balance.columns(cell), clean.grid[cell] ?? 0);
  const weights = fit.weights();
  if (!weights || fit.residual(weights) > MOST_RESIDUAL_C) return undefined;
  const idleRpm = clean.rpm && idleOf(clean.rpm);
  return { overAirC: settlesAt(weights, heatAt(idleRpm)), airC, isRevved: !isIdle(holds, 0, end) };
}
