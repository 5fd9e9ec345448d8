import {
  type BleedingVehicle,
  type CoolReading,
  methodsFor,
  type School,
  stepOf,
  type UpperHose,
} from "../../trade/bleed/index.ts";
import { isOutcome, testOf } from "../../trade/diagnosis/knowledge/index.ts";
import { RAN_LATELY_C, RAN_UNREAD_C } from "../../trade/limits/index.ts";
import { type Entry, inTrueOrder, onceStanding, type StandingEntry } from "../entry/index.ts";
import { BleedStep, factOf, HoseFelt, Proof, TestOutcome, Waiting, WarmUpLog } from "../facts/index.ts";
import { coolReadingOf, hoseReadC, roomOf } from "./readings.ts";

const MS = 1000;
/** What was hot so lately is what a wait for heat is about. */
const KNOWN_HOT_MS = 2 * 3_600_000;

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

/** What the lines of a book tell of its engine. */
export interface ToldOfEngine {
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

function took(told: ToldOfEngine, entry: StandingEntry, limits: ReadonlyMap<School, number>): void {
  const atMs = Date.parse(entry.at);
  told.hereMs ??= atMs;
  const ran = (isRunning: boolean) => {
    // A cold figure from before it ran, or one off the radiator, says nothing of how hot it got: then `coolDown` takes it to
    // have been warm.
    const recent = told.readings.filter(({ where }) => where === "engine").slice(-3);
    const hottestC = Math.max(...recent.map(({ coolantC }) => coolantC));
    Object.assign(told, {
      hottestC: hottestC >= RAN_UNREAD_C ? hottestC : undefined,
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
  // Whether it waits to warm up or to cool down, it is hot or will be: nobody's silence about a run makes it a cold one. A run or a
  // hot figure that is known tells more, and a cool-down that is being watched goes on.
  const waits = factOf(entry)?.fact;
  const isHeatWait = waits instanceof Waiting && waits.waitsFor === "heat";
  const does = isHeatWait && atMs - lastHotOf(told) > KNOWN_HOT_MS ? "ran" : doesOf(entry);
  const bleeding = factOf(entry)?.fact;
  if (bleeding instanceof BleedStep) told.school = bleeding.school;
  if (does === "runs") ran(true);
  else if (does === "ran") {
    ran(told.isRunning);
    const said = factOf(entry)?.fact;
    if (said instanceof WarmUpLog)
      told.hottestC = said.peakC >= RAN_UNREAD_C ? Math.min(150, said.peakC) : undefined;
  } else if (
    told.isRunning ? does === "stops" || does === "is off" : does === "stops" && told.ranUntilMs === undefined
  )
    ran(false);
  else if (does === "cold" && !told.isRunning) Object.assign(told, { coldMs: atMs, because: words(entry) });
  const said = factOf(entry)?.fact;
  if (said instanceof HoseFelt) told.hose = { atMs, upper: said.upper };
  if ((hoseReadC(entry) ?? 0) >= RAN_LATELY_C)
    Object.assign(told, { hose: { atMs, upper: "hard-or-hot" }, coldMs: undefined, because: words(entry) });
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
  if (read.coolantC >= RAN_LATELY_C) Object.assign(told, { coldMs: undefined, because: words(entry) });
}

/** When it last ran or was read hot; minus infinity where no line says that it did. */
export const lastHotOf = ({ ranUntilMs = Number.NEGATIVE_INFINITY, readings }: ToldOfEngine): number =>
  Math.max(
    ranUntilMs,
    ...readings.filter(({ coolantC }) => coolantC >= RAN_LATELY_C).map(({ atS }) => atS * MS),
  );

/** What the lines of a book have told of an engine, by the car's own limits and up to which moment. */
const toldOf = new WeakMap<readonly StandingEntry[], Map<string, ToldOfEngine>>();

/** What a book tells of the engine; whoever asks may change what it is given. */
export function toldBy(entries: readonly Entry[], vehicle: BleedingVehicle, upTo?: string): ToldOfEngine {
  const all = engineLines(entries);
  const known = toldOf.get(all) ?? new Map<string, ToldOfEngine>();
  toldOf.set(all, known);
  const kind = JSON.stringify([vehicle, upTo]);
  const lines = () => (upTo === undefined ? all : all.filter(({ at }) => at <= upTo));
  const told = known.get(kind) ?? tell(lines(), vehicle);
  known.set(kind, told);
  return { ...told, readings: [...told.readings] };
}

function tell(lines: readonly StandingEntry[], vehicle: BleedingVehicle): ToldOfEngine {
  const told: ToldOfEngine = {
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
