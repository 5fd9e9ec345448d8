import type { Entry } from "../../book/entry/index.ts";
import { BleedStep, lastFact } from "../../book/facts/index.ts";
import { COOLS_IN_H, type CoolantBalance } from "../../state/index.ts";
import {
  type BleedingStep,
  type BleedingVehicle,
  type Method,
  methodsFor,
  opensCap,
} from "../../trade/bleed/index.ts";
import { bleedRun } from "../fill/index.ts";
import type { Chain } from "./piece.ts";

/** Until a cap may be opened after a warm-up, where nobody has read anything yet, minutes. */
export const COOLS_IN_MINUTES = 60;
const COLD_MINUTES = COOLS_IN_H * 60;
const FILL_MINUTES = 10;
const TOP_UP_MINUTES = 5;
const LOOK_MINUTES = 5;
const WARM_UP_MINUTES = 30;
/** So much poured was a fill: air went in with it. */
const LEAST_FILL_L = 1;

const COOLS = { minutes: COOLS_IN_MINUTES, words: "it cools until its cap may be opened" };
const isRun = (step: BleedingStep | undefined) => step?.kind === "run" && step.engine !== "off";
const minutesOf = ({ kind, minutes }: BleedingStep) =>
  minutes ?? (kind === "fill" ? FILL_MINUTES : TOP_UP_MINUTES);

/** Engine off is a moment's work; what follows passes by itself, and the next engine may run meanwhile. */
function stops(chain: Chain, run: string, id: string, rest: { minutes: number; words: string }): void {
  chain.add({ id, stage: "fill", what: "Engine off, cap on", minutes: 1, people: 1, same: run, rest });
}

export interface Wet {
  entries: readonly Entry[];
  vehicle: BleedingVehicle;
  balance: CoolantBalance;
  nowMs: number;
  /** Coolant has to come out for what is still to be done. */
  isToDrain: boolean;
  /** What opens it waits for that. */
  night?: { at: string; words: string };
}

/** Filling and getting the air out, as far as that is still to be done; true where an engine is to run for it. */
export function fillPieces(
  chain: Chain,
  { entries, vehicle, balance, nowMs, isToDrain, night }: Wet,
): boolean {
  const run = bleedRun(entries, vehicle);
  const isUnderWay = run !== undefined && !run.isEnded;
  const isOut = balance.moved && !balance.withinTolerance && balance.unaccountedL > 0;
  const begun = lastFact(entries, BleedStep)?.fact;
  const isToBleed = isToDrain || balance.isOutUntold || isOut || (!begun && balance.addedL >= LEAST_FILL_L);
  if (!isUnderWay && !isToBleed) return false;
  const method = isUnderWay && !isToDrain ? run.method : methodsFor(vehicle)[0];
  if (!method) return false;
  const from = isUnderWay && !isToDrain ? (run.stopped ? method.againFrom : run.step) : 0;
  let runs = false;
  for (const [place, step] of method.steps.entries()) {
    // One engine runs on through several steps: whoever has started it stays with it.
    const isOn = isRun(step) && isRun(method.steps[place - 1]) && place > from;
    if (place < from || step.kind === "cool" || isOn) continue;
    const id = `fill:${place}`;
    const one = isRun(step) ? runFrom(method, place) : [step];
    const isInHand = isUnderWay && !isToDrain && !run.stopped && place === run.step;
    const gone = isInHand && run.endsAt ? minutesOf(step) - minutesUntil(run.endsAt, nowMs) : 0;
    chain.add({
      id,
      stage: "fill",
      what: wordsOf(step),
      minutes: Math.max(1, one.reduce((sum, each) => sum + minutesOf(each), 0) - gone),
      people: 1,
      ...(isRun(step) && { isHot: true as const }),
      ...(isInHand
        ? { since: run.startedAt }
        : night && place === from && opensCap(step) && { notBefore: night }),
    });
    runs ||= isRun(step);
    if (method.steps[place + one.length]?.kind === "cool") stops(chain, id, `${id}:off`, COOLS);
  }
  return runs;
}

const minutesUntil = (iso: string, nowMs: number) => Math.ceil((Date.parse(iso) - nowMs) / 60_000);

/** A run with the runs right behind it. */
function runFrom({ steps }: Method, place: number): BleedingStep[] {
  const end = steps.findIndex((step, index) => index > place && !isRun(step));
  return steps.slice(place, end < 0 ? steps.length : end);
}

const WORDS: Record<BleedingStep["kind"], string> = {
  fill: "Fill it",
  run: "Run it warm until the air is out",
  cool: "Let it cool",
  "top-up": "Top it up, cold",
  look: "Look whether the vacuum holds",
};
const wordsOf = (step: BleedingStep) =>
  step.kind === "run" && !isRun(step) ? "Draw the air out of it" : WORDS[step.kind];

/** Proving what was done, warm and then cold; the cold look wants a night, or as long. */
export function provePieces(
  chain: Chain,
  { isWarm, isCold, cold }: { isWarm: boolean; isCold: boolean; cold?: { at: string; words: string } },
): void {
  if (isWarm) {
    chain.add({
      id: "prove:warm",
      stage: "prove",
      what: "Warm it up, and see thermostat, fans and joints",
      minutes: WARM_UP_MINUTES,
      people: 1,
      isHot: true,
    });
    if (isCold)
      stops(chain, "prove:warm", "prove:off", { minutes: COLD_MINUTES, words: "it stands until it is cold" });
  }
  if (isCold)
    chain.add({
      id: "prove:cold",
      stage: "prove",
      what: "Look at the level and the joints, cold",
      minutes: LOOK_MINUTES,
      people: 1,
      ...(cold && !isWarm && { notBefore: cold }),
    });
}
