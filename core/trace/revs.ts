import type { Trace } from "./trace.ts";

/** Raised means well above idle, and held; a blip is neither. */
const RAISED_SHARE = 1.5;
const HELD_S = 4;

function idleOf(rpm: Float64Array): number {
  const running = rpm.filter((revs) => revs > 300).sort();
  return running[Math.floor(running.length * 0.3)] ?? 0;
}

function crossings({ s, rpm }: Trace): { up: number[]; down: number[] } {
  const up: number[] = [];
  const down: number[] = [];
  if (!rpm) return { up, down };
  const limit = idleOf(rpm) * RAISED_SHARE;
  if (limit === 0) return { up, down };
  let since: number | undefined;
  for (let i = 0; i < s.length; i++) {
    const atS = s[i] ?? 0;
    const revs = rpm[i] ?? Number.NaN;
    if (revs > limit) since ??= atS;
    else if (since !== undefined && !Number.isNaN(revs)) {
      if (atS - since >= HELD_S) {
        up.push(since);
        down.push(atS);
      }
      since = undefined;
    }
  }
  if (since !== undefined && (s.at(-1) ?? 0) - since >= HELD_S) up.push(since);
  return { up, down };
}

/** When the revs were raised and held, in the log's seconds. */
export const revsRaised = (trace: Trace): number[] => crossings(trace).up;

/** Every lasting change of revs, up or down: each bends the curve without any thermostat or fan. */
export function revsSteps(trace: Trace): number[] {
  const { up, down } = crossings(trace);
  return [...up, ...down].sort((a, b) => a - b);
}
