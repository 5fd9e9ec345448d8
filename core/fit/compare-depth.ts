import { clearance, type Toleranced } from "./clearance.ts";
import { adapt, type FitLine, SAME, stop, unseen } from "./fit-line.ts";
import { mm } from "./measure.ts";
import type { Unit } from "./unit.ts";

/** The room the unit goes into; what isn't measured is left out. */
export interface Space {
  widthMm?: Toleranced;
  heightMm?: Toleranced;
  /** From the face of the radiator to what is behind it, with what stands there. */
  depthMm?: Toleranced;
  behind?: readonly (Toleranced & { name: string })[];
  behindName?: string;
}

/** What has to stay free in front of a belt or a pulley: an engine moves on its mounts. */
const LEAST_GAP_MM = 10;

/** What is left before whatever stands behind it. */
export function depthLines(made: Unit, space: Space): FitLine[] {
  if (!space.depthMm) return [];
  const name = space.behindName ?? "what is behind it";
  const depth = made.depthMm ?? made.coreThicknessMm;
  if (depth === undefined) return [unseen(`depth before ${name}`, mm(space.depthMm.mm), undefined)];
  const { gapMm, worstMm } = clearance({
    parts: [{ name: "unit", mm: depth, plusMinusMm: Math.min(1, depth) }, ...(space.behind ?? [])],
    spaceMm: space.depthMm,
  });
  const words = {
    what: `depth before ${name}`,
    old: `${mm(space.depthMm.mm)} there`,
    new: gapMm < 0 ? `${mm(-gapMm)} too deep` : `${mm(gapMm)} left`,
  };
  if (worstMm < 0) return [{ ...words, ...stop(`It touches ${name}: ${mm(-worstMm)} too deep at worst.`) }];
  if (worstMm < LEAST_GAP_MM)
    return [
      {
        ...words,
        ...adapt(
          `${mm(worstMm)} at worst, and an engine moves on its mounts: turn it by hand and look, or a flatter fan.`,
          20,
        ),
      },
    ];
  return [{ ...words, ...SAME }];
}
