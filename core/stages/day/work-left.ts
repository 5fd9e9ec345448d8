import {
  Complaint,
  Distance,
  factsOf,
  lastFact,
  NoParts,
  Signature,
  StepDone,
  Waiting,
} from "../../book/facts/index.ts";
import { stepsOff, stillOut, tasksOf } from "../../book/out/index.ts";
import { wantedParts } from "../../book/parts/index.ts";
import { bledVehicle, COOLS_IN_H, coolantBalance, findingOf, type JobState } from "../../state/index.ts";
import { isShut } from "../../trade/bleed/index.ts";
import { type Feature, stepsFor, type WorkStep } from "../../trade/order/index.ts";
import { goalOf, type NextCard } from "../next/index.ts";
import { partsGate, workOrderOf } from "../plan/index.ts";
import { buildPieces, stripPieces } from "./apart-pieces.ts";
import { FIND_MINUTES } from "./minutes.ts";
import { Chain, type Piece } from "./piece.ts";
import { underWay } from "./under-way.ts";
import { COOLS_IN_MINUTES, fillPieces, provePieces } from "./wet-pieces.ts";

const MINUTE_MS = 60_000;
const HOUR_MS = 60 * MINUTE_MS;
const HEAR_MINUTES = 5;
const CHOOSE_MINUTES = 8;
const BOX_MINUTES = 5;
/** A relay, a thermostat, a plug: what is changed without taking a front end apart. */
const FIT_MINUTES = 30;
const COMES_MINUTES = 10;
const THING_MINUTES = 2;
const SIGN_MINUTES = 5;
const WET = /\b(?:thermostat|hose|pump|radiator|heater core|tank|cooler)\b/i;

const isoOf = (ms: number) => new Date(ms).toISOString();
const isComing = (wait: Wait | undefined, entries: JobState["entries"]) =>
  wait?.for === "parts" && wantedParts(entries).every(({ checked }) => checked);
const atOf = (ms: number, words: string) => ({ at: isoOf(ms), words });

interface Wait {
  for: Waiting["waitsFor"];
  words: string;
  until?: string;
}

/** What somebody wrote that the job waits for, while it does. */
function waitOf({ entries }: JobState, nowMs: number): Wait | undefined {
  const last = lastFact(entries, Waiting);
  if (!last || last.fact.waitsFor === "hands") return undefined;
  const { waitsFor, until } = last.fact;
  if (until !== undefined && Date.parse(until) <= nowMs) return undefined;
  return { for: waitsFor, words: last.entry.text ?? "", ...(until && { until }) };
}

const held = (wait: Wait | undefined, what: Wait["for"], untold: string): Partial<Piece> => {
  if (wait?.for !== what) return {};
  const words = wait.words || untold;
  return wait.until
    ? { notBefore: { at: wait.until, words } }
    : { isHeld: `${words}; nobody wrote until when` };
};

/** When what opens it may be begun, by the cool-down's forecast; nothing where it may be, or where only a look would tell. */
function coldFrom({ engine }: JobState, nowMs: number): { at: string; words: string } | undefined {
  if (!isShut(engine.cap)) return undefined;
  const words = "it cools until its cap may be opened";
  if (engine.cap.readyAtS) return atOf(Math.max(nowMs, engine.cap.readyAtS.likely * 1000), words);
  const isHot = engine.isRunning || engine.heat === "hot" || engine.heat === "cooling";
  const from = engine.ranUntil && !engine.isRunning ? Date.parse(engine.ranUntil) : nowMs;
  return isHot ? atOf(Math.max(nowMs, from + COOLS_IN_MINUTES * MINUTE_MS), words) : undefined;
}

/** When it stands cold through and through: by the night somebody wrote, or hours after it ran. */
function nightFrom(state: JobState, wait: Wait | undefined, nowMs: number) {
  if (wait?.for === "night" && wait.until) return atOf(Date.parse(wait.until), wait.words || "a night");
  const { ranUntil, isRunning } = state.engine;
  const from = isRunning ? nowMs : ranUntil ? Date.parse(ranUntil) : undefined;
  const until = from === undefined ? nowMs : from + COOLS_IN_H * HOUR_MS;
  return until > nowMs ? atOf(until, "it stands until it is cold") : undefined;
}

function askAndFind(chain: Chain, { entries }: JobState, hasBegun: boolean, wait: Wait | undefined): void {
  if (hasBegun || findingOf(entries)) return;
  if (factsOf(entries, Complaint).length === 0 || factsOf(entries, Distance).length === 0)
    chain.add({
      id: "ask",
      stage: "ask",
      what: "Hear what it does, and read the distance",
      minutes: HEAR_MINUTES,
      people: 1,
    });
  chain.add({
    id: "find",
    stage: "find",
    what: "Find what it is",
    minutes: FIND_MINUTES,
    people: 1,
    isOpenEnded: true,
    ...held(wait, "owner", "the owner is to be asked"),
    ...held(wait, "night", "it stands until it is cold"),
  });
}

function plan(chain: Chain, { entries }: JobState, wait: Wait | undefined): void {
  const parts = wantedParts(entries);
  const isFault = findingOf(entries)?.kind === "fault";
  if (isFault && parts.length === 0 && factsOf(entries, NoParts).length === 0)
    chain.add({
      id: "plan:choose",
      stage: "plan",
      what: "Choose what goes in, and the order of work",
      minutes: CHOOSE_MINUTES,
      people: 1,
      ...held(wait, "owner", "the owner is to be asked"),
    });
  const unseen = parts.filter(({ checked }) => !checked);
  if (unseen.length === 0 || partsGate(entries).isOpen) return;
  chain.add({
    id: "plan:box",
    stage: "plan",
    what: `Look over, out of the box: ${unseen.map(({ words }) => words).join(", ")}`,
    minutes: BOX_MINUTES * unseen.length,
    people: 1,
    ...held(wait, "owner", "the owner is to be asked"),
    ...held(wait, "parts", "the part comes"),
  });
}

/** What is to come apart, is apart, and goes back; the steps of an order, or the loose things where there is none. */
function apart(
  chain: Chain,
  state: JobState,
  now: string,
  features: readonly Feature[],
  wait: Wait | undefined,
): { isToDrain: boolean; isToDo: boolean } {
  const { entries } = state;
  const parts = wantedParts(entries);
  const work = workOrderOf(entries, now);
  const wasBegun = factsOf(entries, StepDone).length > 0;
  const goal = goalOf(parts);
  const isUnfitted = parts.some(({ stage }) => stage !== "fitted" && stage !== "refused");
  const isFresh = !wasBegun && stillOut(entries).length === 0 && isUnfitted;
  const order: readonly WorkStep[] = work?.steps ?? (goal && isFresh ? stepsFor(goal, features) : []);
  const off = new Set(stepsOff(entries).map(({ step }) => step));
  const isDone = (step: string) => work?.done.has(step) ?? false;
  // Once its part is in it goes together again: what was never said to be taken off stays on.
  const isBack = parts.length > 0 && !isUnfitted;
  const toDo = isBack ? [] : order.filter(({ id }) => !isDone(id));
  if (toDo.length > 0) stripPieces(chain, order, isDone, coldFrom(state, Date.parse(now)));
  const tasks = tasksOf(entries).filter(({ isDone: isOver }) => !isOver);
  const other = parts.filter(({ stage, item }) => stage !== "fitted" && !goalOf([{ item }]));
  const fitMinutes = tasks.reduce((sum, { minutes = 0 }) => sum + minutes, other.length * FIT_MINUTES);
  if (fitMinutes > 0)
    chain.add({
      id: "build:fit",
      stage: "build",
      what: [...tasks.map(({ words }) => words), ...other.map(({ words }) => `the ${words} in`)].join(", "),
      minutes: Math.max(1, fitMinutes),
      people: 1,
    });
  const goesBack = (step: string) => off.has(step) || toDo.some(({ id }) => id === step);
  buildPieces(chain, order, goesBack);
  const loose = order.length > 0 ? 0 : stillOut(entries).length;
  if (loose > 0)
    chain.add({
      id: "build:loose",
      stage: "build",
      what: "Put back what is off",
      minutes: loose * THING_MINUTES,
      people: 1,
    });
  if (isComing(wait, entries))
    chain.add({
      id: "build:comes",
      stage: "build",
      what: "Fit what comes",
      minutes: COMES_MINUTES,
      people: 1,
      ...held(wait, "parts", "a part comes"),
    });
  const wet =
    toDo.some(({ id }) => id === "drain" || id === "swap") || other.some(({ item }) => WET.test(item));
  return { isToDrain: wet, isToDo: toDo.length + fitMinutes + loose + off.size > 0 };
}

/**
 * What is left to do on a job, in pieces that are done in one go, to its signature: as its book stands now and by the order of work that
 * was taken, else by the one that its part wants. Minutes are estimates of a practised hand. Empty once it is signed. `card` null where
 * the car has none; `now` in ISO 8601; `features`: what the car has in the way where no order says so.
 */
export function workLeft(
  state: JobState,
  card: NextCard | null,
  now: string,
  { altitudeM, features = [] }: { altitudeM?: number; features?: readonly Feature[] } = {},
): Piece[] {
  const { entries, open } = state;
  if (lastFact(entries, Signature)) return [];
  const nowMs = Date.parse(now);
  const wait = waitOf(state, nowMs);
  const chain = new Chain();
  const balance = coolantBalance(entries);
  const hasBegun =
    wantedParts(entries).length > 0 ||
    factsOf(entries, NoParts).length > 0 ||
    factsOf(entries, StepDone).length > 0;
  askAndFind(chain, state, hasBegun, wait);
  plan(chain, state, wait);
  const { isToDrain, isToDo } = apart(chain, state, now, features, wait);
  const vehicle = bledVehicle(entries, card, altitudeM);
  const night = wait?.for === "night" ? nightFrom(state, wait, nowMs) : undefined;
  const runs = fillPieces(chain, { entries, vehicle, balance, nowMs, isToDrain, ...(night && { night }) });
  const isLow = open.some(({ about }) => about === "level");
  if (isLow && !runs)
    chain.add({
      id: "fill:low",
      stage: "fill",
      what: "Top it up to the line",
      minutes: 5,
      people: 1,
      ...(coldFrom(state, nowMs) && { notBefore: coldFrom(state, nowMs) }),
    });
  const proofs = open.flatMap(({ proof }) => (proof ? [proof.proof] : []));
  const hotProofs = proofs.filter((proof) => !COLD_PROOFS.has(proof));
  const isFixed = findingOf(entries)?.kind === "fault" || hasBegun;
  provePieces(chain, {
    isWarm: hotProofs.length > 0 || (isFixed && isToDo),
    isCold: runs || open.some(({ about }) => about === "cold-check") || hotProofs.length < proofs.length,
    cold: nightFrom(state, wait, nowMs),
  });
  // What it wants nobody knows before it is found: no signature is laid behind that.
  if (chain.pieces.some(({ isOpenEnded }) => isOpenEnded)) return underWay(chain.pieces, entries, nowMs);
  chain.add({
    id: "sign",
    stage: "sign",
    what: "Write it up and sign",
    minutes: SIGN_MINUTES,
    people: 1,
    ...held(wait, "owner", "the owner is to be asked"),
  });
  return underWay(chain.pieces, entries, nowMs);
}

const COLD_PROOFS: ReadonlySet<string> = new Set(["leaks-cold", "cap", "pressure"]);
