import { type Entry, onceStanding, type StandingEntry } from "../book/index.ts";
import { BleedStep, factOf, HoseFelt, Proof, TestOutcome, WarmUpLog } from "../facts/index.ts";
import {
  type BleedingVehicle,
  type CoolDown,
  type CoolReading,
  coolDown,
  methodsFor,
  WARM_C as RAN_WARM_C,
  type School,
  stepOf,
  type UpperHose,
} from "../trade/bleed/index.ts";
import { isOutcome, testOf } from "../trade/diagnosis/knowledge/index.ts";
import { coolReadingOf, roomOf } from "./readings.ts";
import { inTrueOrder } from "./true-order.ts";

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

/** A coolant that was read at so much ran not long ago, whoever wrote that down. */
export const WARM_C = 50;
const HOT_C = 70;
/** After this long with the engine off its coolant stands near the air: cold tests can be done, hours. */
export const COOLS_IN_H = 6;
const HOUR_MS = 3_600_000;
const MS = 1000;
/** What the hand felt, and what the air was, is believed so long. */
const FELT_MS = 900_000;
const AIR_MS = 12 * HOUR_MS;
/** More readings than that nobody takes while a cap is off. */
const MOST_MOMENTS = 8;
/** Nobody bleeds longer in one go: a run that nobody has ended was over by then. */
const LONGEST_RUN_MS = 2 * HOUR_MS;
/** A system that has lost so much is open already: nothing is under pressure. */
const OPEN_L = 0.5;
/** What was poured into a block that stood so long out of a can is not heated by it any more. */
const REFILLED_COLD_MS = 2 * HOUR_MS;

/** Proofs that nobody sees with a cold engine. */
const RUNS_FOR: ReadonlySet<string> = new Set([
  "fan-1",
  "fan-2",
  "fan-3",
  "fan-4",
  "heater",
  "leaks-hot",
  "gas",
  "road",
]);

/** "stops" tells that it ran until now, whoever wrote the start; "is off" only ends a run that is in the book. */
type Does = "runs" | "stops" | "is off" | "ran" | "cold" | undefined;

function bleedingDoes({ school, step, does }: BleedStep): Does {
  if (does === "stops") return "stops";
  const found = stepOf(school, step);
  if (does === "ends" || !found) return "is off";
  if (found.kind === "cool") return "stops";
  return found.engine === "off" || found.engine === "ignition on, engine off" ? "is off" : "runs";
}

/** What a line says that the engine did; nothing where it says nothing of it. */
function doesOf(entry: StandingEntry): Does {
  const said = factOf(entry)?.fact;
  if (said instanceof BleedStep) return bleedingDoes(said);
  if (said instanceof WarmUpLog) return "ran";
  if (said instanceof Proof)
    return said.verdict !== "not-seen" && RUNS_FOR.has(said.proof) ? "ran" : undefined;
  if (!(said instanceof TestOutcome) || !isOutcome(said.test, said.outcome)) return undefined;
  const { engine, needs } = testOf(said.test);
  if (engine === "cold") return "cold";
  return engine === "hot" || engine === "heats" || needs.includes("engine running") ? "ran" : undefined;
}

interface Told {
  /** When the book begins: since then at the least the car stands here. */
  hereMs?: number;
  isRunning: boolean;
  /** The school by whose step it runs: a reading over its limit ends the run. */
  school?: School;
  ranUntilMs?: number;
  startedMs?: number;
  hottestC?: number;
  coldMs?: number;
  readings: CoolReading[];
  room?: { atMs: number; celsius: number };
  hose?: { atMs: number; upper: UpperHose };
  /** Litres out and not in since it last ran, and all that was let out. */
  outL: number;
  drainedL: number;
  drainedMs?: number;
  because: string;
}

const words = (entry: Entry) => entry.item ?? entry.text ?? "a line of the book";

const mayTellOfEngine = ({ data, account, kind }: Entry) =>
  data !== undefined || account === "coolant" || kind === "reading";

/**
 * The lines that may tell of the engine, in the order in which they were true, the first of the book among them: a bolt that
 * came out and a sentence without a fact tell nothing of it.
 */
const engineLines = onceStanding(
  (entries): StandingEntry[] =>
    inTrueOrder(entries).filter((entry, index) => index === 0 || mayTellOfEngine(entry)),
  mayTellOfEngine,
);

function took(told: Told, entry: StandingEntry, limits: ReadonlyMap<School, number>): void {
  const atMs = Date.parse(entry.at);
  told.hereMs ??= atMs;
  const ran = (isRunning: boolean) => {
    // A cold figure from before it ran, or one off the radiator, says nothing of how hot it got: then `coolDown` takes it to
    // have been warm.
    const recent = told.readings.filter(({ where }) => where === "engine").slice(-3);
    const hottestC = Math.max(...recent.map(({ coolantC }) => coolantC));
    Object.assign(told, {
      hottestC: hottestC >= RAN_WARM_C ? hottestC : undefined,
      ranUntilMs: atMs,
      startedMs: told.isRunning ? told.startedMs : atMs,
      isRunning,
      readings: [],
      coldMs: undefined,
      hose: undefined,
      outL: 0,
      drainedL: 0,
      because: words(entry),
    });
  };
  const does = doesOf(entry);
  const bleeding = factOf(entry)?.fact;
  if (bleeding instanceof BleedStep) told.school = bleeding.school;
  if (does === "runs") ran(true);
  else if (does === "ran") {
    ran(told.isRunning);
    const said = factOf(entry)?.fact;
    if (said instanceof WarmUpLog)
      told.hottestC = said.peakC >= RAN_WARM_C ? Math.min(150, said.peakC) : undefined;
  } else if (
    told.isRunning ? does === "stops" || does === "is off" : does === "stops" && told.ranUntilMs === undefined
  )
    ran(false);
  else if (does === "cold" && !told.isRunning) Object.assign(told, { coldMs: atMs, because: words(entry) });
  const said = factOf(entry)?.fact;
  if (said instanceof HoseFelt) told.hose = { atMs, upper: said.upper };
  const room = roomOf(entry);
  if (room !== undefined) told.room = { atMs, celsius: room };
  if (entry.account === "coolant" && entry.kind === "movement") {
    if (entry.item === "drained" || entry.item === "kept") {
      told.outL += entry.out ?? 0;
      told.drainedL += entry.out ?? 0;
      told.drainedMs = atMs;
    }
    if (entry.item === "poured") told.outL -= entry.in ?? 0;
  }
  const read = coolReadingOf(entry);
  if (!read) return;
  const limitC = told.isRunning && told.school ? limits.get(told.school) : undefined;
  if (limitC !== undefined && read.where === "engine" && read.coolantC > limitC) {
    ran(false);
    told.hottestC = read.coolantC;
  }
  told.readings.push(read);
  if (read.coolantC >= WARM_C) Object.assign(told, { coldMs: undefined, because: words(entry) });
}

/** When it last ran or was read hot; minus infinity where no line says that it did. */
const lastHotOf = ({ ranUntilMs = Number.NEGATIVE_INFINITY, readings }: Told): number =>
  Math.max(ranUntilMs, ...readings.filter(({ coolantC }) => coolantC >= WARM_C).map(({ atS }) => atS * MS));

/** What was read last since then, where that is hot and not hours old. */
function readHotSince({ readings }: Told, sinceMs: number, nowMs: number): number | undefined {
  const last = readings.findLast(({ where }) => where === "engine");
  if (!last || last.coolantC < WARM_C) return undefined;
  const atMs = last.atS * MS;
  return atMs >= sinceMs && nowMs - atMs < REFILLED_COLD_MS ? last.coolantC : undefined;
}

function capOf(told: Told, nowMs: number): CoolDown {
  const { ranUntilMs, hottestC, room, hose, readings } = told;
  const upperHose = hose && nowMs - hose.atMs <= FELT_MS ? hose.upper : undefined;
  if (told.isRunning)
    return {
      safeNow: "fail",
      because:
        "The engine runs, by the step of bleeding in hand: stop that on Fill, then let it cool and read it.",
    };
  const hasStood = ranUntilMs === undefined || nowMs - ranUntilMs >= REFILLED_COLD_MS;
  const isOpen = told.outL >= OPEN_L || (told.drainedL >= OPEN_L && hasStood);
  const hotC = isOpen ? readHotSince(told, told.drainedMs ?? nowMs, nowMs) : undefined;
  if (hotC !== undefined)
    return {
      safeNow: "fail",
      because: `It was drained, and ${Math.round(hotC)} °C was read since: what is left in it burns. Let it cool, then read it again.`,
    };
  if (isOpen && upperHose !== "hard-or-hot")
    return {
      safeNow: "pass",
      because: "It was drained since it last ran: it is open, and nothing is under pressure.",
    };
  const ambientC = room && nowMs - room.atMs <= AIR_MS ? room.celsius : undefined;
  const said = coolDown(readings, {
    ...(ambientC === undefined ? {} : { ambientC }),
    ...(ranUntilMs === undefined ? {} : { ranUntilS: ranUntilMs / MS }),
    ...(hottestC === undefined ? {} : { hottestC }),
    ...(upperHose === undefined ? {} : { upperHose }),
    nowS: nowMs / MS,
  });
  const isNobodysRun = lastHotOf(told) === Number.NEGATIVE_INFINITY;
  const isHereLong = nowMs - (told.hereMs ?? nowMs) >= COOLS_IN_H * HOUR_MS;
  // That no line tells of a run is no night: it may have come in hot, and a dead sensor reads the air.
  if (said.safeNow === "pass" && isNobodysRun && !isHereLong && told.coldMs === undefined && !upperHose)
    return {
      safeNow: "not-seen",
      because: `${said.because.split(",")[0]}, and nobody has written when it ran last: squeeze the upper hose.`,
    };
  if (said.safeNow !== "not-seen" || upperHose !== "soft-and-cool") return said;
  const isStood = nowMs - lastHotOf(told) >= COOLS_IN_H * HOUR_MS;
  const isReadHot = readings.some(({ atS, coolantC }) => nowMs - atS * MS <= FELT_MS && coolantC >= WARM_C);
  return isStood && !isReadHot
    ? {
        safeNow: "pass",
        because: isNobodysRun
          ? "The book knows of no run, and the upper hose is soft and cool. Cloth over it, first notch."
          : `It has stood ${COOLS_IN_H} hours and more, and the upper hose is soft and cool. Cloth over it, first notch.`,
      }
    : said;
}

/** What the lines of a book have told of an engine, by the car's own limits and up to which moment. */
const toldOf = new WeakMap<readonly StandingEntry[], Map<string, Told>>();

/** What a book tells of the engine; whoever asks may change what it is given. */
function toldBy(entries: readonly Entry[], vehicle: BleedingVehicle, upTo?: string): Told {
  const all = engineLines(entries);
  const known = toldOf.get(all) ?? new Map<string, Told>();
  toldOf.set(all, known);
  const kind = JSON.stringify([vehicle, upTo]);
  const lines = () => (upTo === undefined ? all : all.filter(({ at }) => at <= upTo));
  const told = known.get(kind) ?? tell(lines(), vehicle);
  known.set(kind, told);
  return { ...told, readings: [...told.readings] };
}

function tell(lines: readonly StandingEntry[], vehicle: BleedingVehicle): Told {
  const told: Told = {
    isRunning: false,
    readings: [],
    outL: 0,
    drainedL: 0,
    because: "Nobody has written of it.",
  };
  const limits = new Map(methodsFor(vehicle).map(({ school, limitC }) => [school, limitC]));
  for (const entry of lines) took(told, entry, limits);
  return told;
}

/** When the engine last ran or was read hot, milliseconds; minus infinity where no line says that it did. */
export const lastHotMs = (entries: readonly Entry[]): number => lastHotOf(toldBy(entries, {}));

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
