import { type Clearance, clearance, type Toleranced, touchesFirst } from "./clearance.ts";
import { adapt, type FitLine, RULER_MM, SAME, stop, unseen } from "./fit-line.ts";
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
  /** What is free now, with the old unit in, before things that its depth comes nearer to: shroud, charge pipes. */
  free?: readonly (Toleranced & { name: string })[];
}

/** What has to stay free in front of a belt or a pulley: an engine moves on its mounts. */
const LEAST_GAP_MM = 10;

/** What is left before each thing that stands free of the old unit: a deeper one takes it from there. */
export function freeLines(old: Unit, made: Unit, space: Space): FitLine[] {
  const [was, is] = [old.depthMm, made.depthMm];
  return (space.free ?? []).map((free) => {
    const what = `gap to ${free.name}`;
    if (was === undefined || is === undefined)
      return {
        ...unseen(what, mm(free.mm), undefined),
        remedy: "Measure the overall depth of both: a core's thickness is not it.",
      };
    const left = free.mm - (is - was);
    const worst = left - Math.min(free.plusMinusMm, free.mm) - Math.min(1, is);
    const words = {
      what,
      old: `${mm(free.mm)} free`,
      new: left < 0 ? `${mm(-left)} too deep` : `${mm(left)} left`,
    };
    if (worst < 0) return { ...words, ...stop(`It touches ${free.name}: ${mm(-worst)} too deep at worst.`) };
    if (worst < LEAST_GAP_MM && left < free.mm - RULER_MM)
      return {
        ...words,
        ...adapt(
          `${mm(worst)} at worst, and an engine moves on its mounts: move ${free.name}, or a flatter unit.`,
          20,
        ),
      };
    return { ...words, ...SAME };
  });
}

/**
 * Of everything the unit comes near to, what is left least of at worst, mm: behind it, below it, before shroud and charge
 * pipes. Nothing where no room was measured.
 */
export function nearest(old: Unit, made: Unit, space: Space): ({ name: string } & Clearance) | undefined {
  const [was, is] = [old.depthMm, made.depthMm];
  const part = (mm: number) => ({ name: "unit", mm, plusMinusMm: Math.min(1, mm) });
  const behind =
    space.depthMm && is !== undefined
      ? [
          {
            name: space.behindName ?? "what is behind it",
            parts: [part(is), ...(space.behind ?? [])],
            spaceMm: space.depthMm,
          },
        ]
      : [];
  const below =
    space.heightMm && made.heightMm !== undefined
      ? [{ name: "the skid plate", parts: [part(made.heightMm)], spaceMm: space.heightMm }]
      : [];
  const free =
    was === undefined || is === undefined
      ? []
      : (space.free ?? []).map(({ name, mm, plusMinusMm }) => ({
          name,
          parts: [part(is)],
          spaceMm: { mm: mm + was, plusMinusMm },
        }));
  const first = touchesFirst([...behind, ...below, ...free]);
  if (!first) return undefined;
  const { name, gapMm, worstMm, rssMm } = first;
  return { name, gapMm, worstMm, rssMm };
}

/** What is left before whatever stands behind it. */
export function depthLines(made: Unit, space: Space): FitLine[] {
  if (!space.depthMm) return [];
  const name = space.behindName ?? "what is behind it";
  const depth = made.depthMm;
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
