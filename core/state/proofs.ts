import { type Entry, onceStanding, type StandingEntry, standing } from "../book/entry/index.ts";
import {
  BleedSign,
  Codes,
  factOf,
  factsOf,
  Gauge,
  PROOFS,
  Proof,
  type ProofName,
  TestOutcome,
  Trouble,
  tells,
  WarmUpLog,
} from "../book/facts/index.ts";
import { coolReadingOf } from "../book/heat/index.ts";
import type { Verdict } from "../kernel/verdict/index.ts";
import { isAfterRed } from "../trade/diagnosis/knowledge/index.ts";
import { capRatingKPa, HOTTEST_SOUND_C } from "../trade/limits/index.ts";
import { pressureHeld } from "./pressure-test.ts";
import { type WorkDone, workDone } from "./work-done.ts";

/** One thing that shows whether the work has done what it should. */
export interface ProofRow {
  proof: ProofName;
  words: string;
  /** What to do to see it, as one short order. */
  how: string;
  verdict: Verdict;
  /** What it rests on, or why nobody has seen it; absent where nobody has said anything. */
  because?: string;
  /** The line of the book that says it, where a person did. */
  entryId?: string;
}

/** What is known of the car. */
export interface ProvenCar {
  fanStages: number;
  capGaugeKPa?: number;
}

/** What a cooling card says of it; a car without one has no fan stage that anybody knows of. */
export function provenCar(card?: { fanOnC: readonly number[]; capGaugeKpa?: number } | null): ProvenCar {
  const { fanOnC = [], capGaugeKpa } = card ?? {};
  return { fanStages: fanOnC.length, ...(capGaugeKpa !== undefined && { capGaugeKPa: capGaugeKpa }) };
}

const PAPER = "A strip of paper before the core: it is drawn on, air comes out at the engine.";
const DIRECTION = { left: "direction-left", right: "direction-right", only: "direction" } as const;

const HOW: Record<Exclude<ProofName, `fan-${number}`>, [words: string, how: string]> = {
  log: ["warm-up by its log", "Warm it up with a logger on it, from cold until a fan has come and gone."],
  direction: ["fan draws air through the core", PAPER],
  "direction-left": ["left fan draws air through the core", PAPER],
  "direction-right": ["right fan draws air through the core", PAPER],
  heater: ["heater blows hot", "Heater full, engine warm: hot at the vents, and it stays so at idle."],
  gauge: [
    "gauge against the sensor",
    "Read both at three temperatures: does the needle say what the sensor says?",
  ],
  "leaks-hot": [
    "no leak, hot and under pressure",
    "Warm, cap on, engine off: lamp along every joint that was opened.",
  ],
  "leaks-cold": ["no leak, cold", "Cold: the same joints, and paper under them that stays dry."],
  pressure: ["holds pressure", "Pumped up to the cap's rating, 10 to 15 min."],
  cap: [
    "cap opens where its rating says",
    "The cap alone on the tester: it holds to its rating and lets go above; its seal and spring by eye.",
  ],
  gas: [
    "no combustion gas in the coolant",
    "Gas tester on the tank, engine warm; the cap comes off cold, before.",
  ],
  codes: [
    "codes made by testing are cleared",
    "Clear what unplugging has stored, read again, write down what comes back.",
  ],
  road: ["road test", "Drive until it is hot and a fan has run; write down the distance before and after."],
};

/** What a proof is called, as Prove and the report have it. */
export const proofWords = (proof: Exclude<ProofName, `fan-${number}`>): string => HOW[proof][0];

/** Reads what a log says: whether it shows all that it should. */
function byLog(log: WarmUpLog | undefined, { fanStages }: ProvenCar): Pick<ProofRow, "verdict" | "because"> {
  if (!log) return { verdict: "not-seen" };
  const all = Object.entries(log.checks);
  const failed = all.filter(([, check]) => check?.verdict === "fail");
  if (failed.length > 0)
    return { verdict: "fail", because: failed.map(([, check]) => check?.because).join(" ") };
  const wanted = fanStages > 0 ? (["thermostat", "fanOn"] as const) : (["thermostat"] as const);
  const unseen = wanted.find((name) => log.checks[name]?.verdict !== "pass");
  if (unseen)
    return { verdict: "not-seen", because: log.checks[unseen]?.because ?? `${log.log} does not show it.` };
  return { verdict: "pass", because: `${log.log}, hottest ${Math.round(log.peakC)} °C.` };
}

function byStage(log: WarmUpLog | undefined, stage: number): Pick<ProofRow, "verdict" | "because"> {
  const fanOn = log?.checks.fanOn;
  if (!log || !fanOn) return { verdict: "not-seen" };
  const isSeen = (fanOn.stagesSeen ?? (fanOn.verdict === "pass" ? 1 : 0)) >= stage;
  return isSeen && fanOn.verdict !== "fail"
    ? { verdict: "pass", because: `It started on ${log.log}.` }
    : fanOn.verdict === "fail" && stage === 1
      ? { verdict: "fail", because: fanOn.because }
      : { verdict: "not-seen" };
}

const PRESSURE_SAID = { tight: "pass", seeping: "fail", leaking: "fail", "not-seen": "not-seen" } as const;

function byPressure(
  entries: readonly Entry[],
  car: ProvenCar,
  since: number,
): Pick<ProofRow, "verdict" | "because"> {
  const held = pressureHeld(entries, capRatingKPa(car.capGaugeKPa), since);
  return held ? { verdict: PRESSURE_SAID[held.verdict], because: held.because } : { verdict: "not-seen" };
}

/** The last outcome of a test of the knowledge, from that place of the book on. */
function byTest(
  entries: readonly Entry[],
  test: string,
  since = Number.NEGATIVE_INFINITY,
): Pick<ProofRow, "verdict" | "because"> {
  const last = factsOf(entries, TestOutcome).findLast(
    ({ fact, entry }) => fact.test === test && entry.order >= since,
  );
  return last ? { verdict: last.fact.verdict, because: last.entry.text } : { verdict: "not-seen" };
}

function isOverheated(entries: readonly Entry[]): boolean {
  const wasRed = factsOf(entries, Gauge).some(({ fact }) => fact.stood === "red");
  const codes = factsOf(entries, Codes).map(({ entry }) => entry.text ?? "");
  const evidence = factsOf(entries, TestOutcome).map(({ fact }) => fact);
  return (
    isAfterRed({ ...(wasRed && { gauge: "red" }), codes: codes.join(" ") }, evidence) ||
    standing(entries).some((entry) => (coolReadingOf(entry)?.coolantC ?? 0) > HOTTEST_SOUND_C)
  );
}

const NO_CODES = /^(?:none|no codes?|cleared|keine|0)\b/i;

/** Codes that stand, or a test that stores one; the last word is what the reader showed. */
function byCodes(entries: readonly Entry[]): Pick<ProofRow, "verdict" | "because"> | undefined {
  const read = factsOf(entries, Codes);
  const stores = factsOf(entries, TestOutcome).some(({ fact }) => fact.test === "unplug-sensor");
  const isAny = stores || read.some(({ entry }) => !NO_CODES.test(entry.text ?? ""));
  if (!isAny) return undefined;
  const last = read.at(-1)?.entry;
  const isClear = last?.stage === "prove" && NO_CODES.test(last.text ?? "");
  return isClear ? { verdict: "pass", because: "Read again: none." } : { verdict: "not-seen" };
}

const stageName = (stage: number, stages: number) =>
  stages === 1
    ? "the fan comes and goes"
    : stages === 2
      ? `fan, ${stage === 1 ? "low" : "high"} stage`
      : `fan, stage ${stage}`;

/** What the work asks to be proven, and what the book says of each by itself. */
function asked(
  entries: readonly Entry[],
  work: WorkDone,
  car: ProvenCar,
): Partial<Record<ProofName, Pick<ProofRow, "verdict" | "because">>> {
  // What was seen before the last part went in proves nothing of it.
  const since = standing(entries)[work.until]?.order ?? Number.POSITIVE_INFINITY;
  const log = factsOf(entries, WarmUpLog).findLast(({ entry }) => entry.order >= since)?.fact;
  const heater = factsOf(entries, BleedSign).findLast(
    ({ fact, entry }) => fact.sign === "heater" && entry.order >= since,
  );
  const isRed = isOverheated(entries);
  const held = byPressure(entries, car, since);
  const isAny = work.coolant || work.fan;
  const rows: Partial<Record<ProofName, Pick<ProofRow, "verdict" | "because">>> = {};
  if (isAny) rows.log = byLog(log, car);
  if (work.fan) {
    for (let stage = 1; stage <= Math.min(4, car.fanStages); stage++)
      rows[`fan-${stage as 1}`] = byStage(log, stage);
    for (const side of work.motors) rows[DIRECTION[side]] = { verdict: "not-seen" };
  }
  if (factsOf(entries, Trouble).some(({ fact }) => fact.chips.includes("gauge-high")) && isAny)
    rows.gauge = { verdict: "not-seen" };
  if (work.coolant) {
    rows.heater = heater
      ? { verdict: heater.fact.verdict, because: "Seen while it was bled." }
      : { verdict: "not-seen" };
    rows["leaks-hot"] = { verdict: "not-seen" };
    rows["leaks-cold"] = { verdict: "not-seen" };
  }
  const isPumped = held.because !== undefined;
  const pressure = isPumped ? held : byTest(entries, "pressure-test", since);
  if (isRed || isPumped) {
    rows.pressure = pressure;
    rows.cap = { verdict: "not-seen" };
  }
  if (isRed) rows.gas = byTest(entries, "gas-test");
  const codes = byCodes(entries);
  if (codes) rows.codes = codes;
  if (isAny) rows.road = { verdict: "not-seen" };
  return rows;
}

/**
 * What a job has to show before it is signed, by the work that was done: each pass, fail or not seen. What a person booked after
 * the work stands before what the book says by itself; what was read before the last part went in proves nothing. A job without
 * work asks for nothing.
 */
export function proofsOf(entries: readonly Entry[], car: ProvenCar): readonly ProofRow[] {
  const kind = JSON.stringify([car.fanStages, car.capGaugeKPa]);
  const known = rowsFor.get(kind) ?? onceStanding((each) => rowsOf(each, car), tells);
  rowsFor.set(kind, known);
  return known(entries);
}

/** By what is known of a car: of the cars of a shop a few kinds. */
const rowsFor = new Map<string, (entries: readonly Entry[]) => readonly ProofRow[]>();

function rowsOf(entries: readonly Entry[], car: ProvenCar): readonly ProofRow[] {
  const work = workDone(entries);
  const rows = asked(entries, work, car);
  const said = new Map<ProofName, { fact: Proof; entry: StandingEntry }>();
  for (const entry of standing(entries).slice(work.until)) {
    const fact = factOf(entry)?.fact;
    if (fact instanceof Proof) said.set(fact.proof, { fact, entry });
  }
  return PROOFS.flatMap((proof): ProofRow[] => {
    const own = said.get(proof);
    const row = rows[proof];
    if (!own && !row) return [];
    const stage = /^fan-(\d)$/.exec(proof)?.[1];
    const [words, how] = stage
      ? [
          stageName(Number(stage), car.fanStages),
          "Warm it until it comes, or command it; watch that it goes again.",
        ]
      : HOW[proof as keyof typeof HOW];
    if (!own) return [{ proof, words, how, ...(row ?? { verdict: "not-seen" }) }];
    const { verdict, because } = own.fact;
    return [{ proof, words, how, verdict, entryId: own.entry.id, ...(because ? { because } : {}) }];
  });
}

/** What was not seen with nobody saying why, and what failed: to sign with it takes a reason. */
export const unproven = (rows: readonly ProofRow[]): ProofRow[] =>
  rows.filter(
    ({ verdict, entryId, because }) =>
      verdict === "fail" || (verdict === "not-seen" && !(entryId && because)),
  );
