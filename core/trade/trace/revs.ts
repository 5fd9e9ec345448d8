/** A lasting change of the engine's revs, in cells of the one-second grid. */
export interface RevsHold {
  from: number;
  /** The end of the log where they were still raised. */
  to: number;
}

/** Raised means well above idle, and held; a blip is neither. */
const RAISED_SHARE = 1.5;
const HELD_S = 4;
/** A lower quantile of the running revs is idle, once fast idle has gone. */
const IDLE_QUANTILE = 0.3;
const RUNNING_RPM = 300;
/** Revs that are up when the log begins are a cold engine's own fast idle. */
const FAST_IDLE_FROM_S = 5;

export function idleOf(rpm: Float64Array): number {
  const running = rpm.filter((revs) => revs > RUNNING_RPM).sort();
  return running[Math.floor(running.length * IDLE_QUANTILE)] ?? 0;
}

/** When the revs were raised and held. */
export function revsHolds(rpm: Float64Array | undefined): RevsHold[] {
  if (!rpm) return [];
  const limit = idleOf(rpm) * RAISED_SHARE;
  if (limit === 0) return [];
  const holds: RevsHold[] = [];
  let since: number | undefined;
  for (let cell = 0; cell <= rpm.length; cell++) {
    const isRaised = cell < rpm.length && (rpm[cell] ?? 0) > limit;
    if (isRaised) since ??= cell;
    else if (since !== undefined) {
      if (cell - since >= HELD_S && since > FAST_IDLE_FROM_S) holds.push({ from: since, to: cell });
      since = undefined;
    }
  }
  return holds;
}

/** Whether the engine idled throughout a stretch. */
export const isIdle = (holds: readonly RevsHold[], from: number, to: number): boolean =>
  !holds.some((hold) => hold.from < to && hold.to > from);

/** Whether the revs changed for good within a stretch. */
export const isCalm = (holds: readonly RevsHold[], from: number, to: number): boolean =>
  !holds.some((hold) => (hold.from > from && hold.from < to) || (hold.to > from && hold.to < to));
