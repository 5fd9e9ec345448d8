import type { Entry } from "../book/entry/index.ts";
import { inTrueOrder } from "../book/entry/index.ts";
import { lastHotOf, toldBy } from "../book/heat/index.ts";
import type { BleedingVehicle, CoolDown, CoolReading } from "../trade/bleed/index.ts";
import { AIR_MS, COOLS_IN_H, capOf } from "./cap-now.ts";

export interface EngineState {
  heat: "cold" | "warming" | "hot" | "cooling" | "unknown";
  /** Since when, ISO; absent where nobody knows. */
  since?: string;
  /** Which line says so, in words. */
  because: string;
  isRunning: boolean;
  /** Until when it ran, as far as the book says, and how hot it was then. */
  ranUntil?: string;
  hottestC?: number;
  /** Everything that was read of the coolant since it last ran, seconds and °C. */
  readings: readonly CoolReading[];
  /** The air around it, °C, where somebody read it lately. */
  roomC?: number;
  /** Whether a cap may be opened or a hose loosened now: the one door to every step that does. */
  cap: CoolDown;
}

const HOT_C = 70;
const HOUR_MS = 3_600_000;
/** More readings than that nobody takes while a cap is off. */
const MOST_MOMENTS = 8;
/** Nobody bleeds longer in one go: a run that nobody has ended was over by then. */
const LONGEST_RUN_MS = 2 * HOUR_MS;

/**
 * How the engine stands by a job's book, and whether its cap may be opened: what starts it (a run of bleeding, a log, a hot test,
 * a road test), what ends it, and everything read of its coolant since, each with its place. `now` in ISO 8601; `vehicle` as for `methodsFor`, whose limit ends a run of bleeding; `upTo` where what was told
 * later is left out, ISO 8601.
 */
export function engineState(
  entries: readonly Entry[],
  now: string,
  vehicle: BleedingVehicle = {},
  upTo?: string,
): EngineState {
  const nowMs = Date.parse(now);
  const told = toldBy(entries, vehicle, upTo);
  if (told.isRunning && told.startedMs !== undefined && nowMs - told.startedMs > LONGEST_RUN_MS)
    Object.assign(told, { isRunning: false, ranUntilMs: told.startedMs + LONGEST_RUN_MS });
  const { isRunning, ranUntilMs, hottestC, coldMs, readings, room } = told;
  const last = readings.findLast(({ where }) => where === "engine");
  const lastRanMs = lastHotOf(told);
  const cap = capOf(told, nowMs);
  const stoodH = (nowMs - lastRanMs) / HOUR_MS;
  const heat = (): EngineState["heat"] => {
    if (isRunning) return (last?.coolantC ?? hottestC ?? 0) >= HOT_C ? "hot" : "warming";
    if (cap.safeNow === "pass") return "cold";
    if (Number.isFinite(lastRanMs)) return stoodH >= COOLS_IN_H ? "cold" : "cooling";
    return coldMs === undefined ? "unknown" : "cold";
  };
  const sinceMs = isRunning
    ? told.startedMs
    : (coldMs ?? (Number.isFinite(lastRanMs) ? lastRanMs : undefined));
  return {
    heat: heat(),
    ...(sinceMs === undefined ? {} : { since: new Date(sinceMs).toISOString() }),
    because: told.because,
    isRunning,
    ...(ranUntilMs === undefined ? {} : { ranUntil: new Date(ranUntilMs).toISOString() }),
    ...(hottestC === undefined ? {} : { hottestC }),
    readings,
    ...(room && nowMs - room.atMs <= AIR_MS ? { roomC: room.celsius } : {}),
    cap,
  };
}

/** Whether what was read since `since` allowed a cap to be opened at any moment up to now: what was opened then is open. */
export function mayHaveOpened(
  entries: readonly Entry[],
  since: string,
  now: string,
  vehicle: BleedingVehicle = {},
): boolean {
  const [fromMs, toMs] = [Date.parse(since), Date.parse(now)];
  const moments = inTrueOrder(entries)
    .filter((entry) => entry.kind === "reading" || entry.account === "coolant")
    .map(({ at }) => Date.parse(at))
    .filter((atMs) => atMs > fromMs && atMs <= toMs);
  return [...new Set([toMs, fromMs, ...moments.slice(-MOST_MOMENTS)])].some((atMs) => {
    const until = new Date(atMs).toISOString();
    const known = entries.filter(({ at }) => Date.parse(at) <= atMs);
    return engineState(known, until, vehicle).cap.safeNow === "pass";
  });
}
