import type { Entry } from "../../book/entry/index.ts";
import { inTrueOrder } from "../../book/entry/index.ts";
import { BleedSign, BleedStep, factsOf } from "../../book/facts/index.ts";
import { coolReadingOf } from "../../book/heat/index.ts";
import type { Verdict } from "../../kernel/verdict/index.ts";
import { type BleedingVehicle, type Method, methodsFor, type Sign } from "../../trade/bleed/index.ts";

/** Where a job's bleeding stands, as its book tells it. */
export interface BleedRun {
  method: Method;
  /** The step in hand, counted from 0. */
  step: number;
  /** ISO; `endsAt` where a clock says when it is over. */
  startedAt: string;
  endsAt?: string;
  /** Why it was stopped at once; absent while it runs. */
  stopped?: string;
  /** What went in at each top-up, litres. */
  cycles: { toppedUpL: number }[];
  signs: Partial<Record<Sign, Verdict>>;
  /** Nothing more is done: the last top-up was the last. */
  isEnded: boolean;
}

const MINUTE_MS = 60_000;
/** A jug is written down when the hands are dry: so long after a cycle was said to be topped up its litres are still that cycle's. */
const LATE_MS = 5 * MINUTE_MS;
/** More than that in one cycle was a fill. */
const MOST_L = 50;

/**
 * The bleeding in hand by a job's book, from the last time that a school was begun; nothing where none was. A reading over
 * the limit while the engine runs stops it, whoever booked it and however. `vehicle` as for `methodsFor`.
 */
export function bleedRun(entries: readonly Entry[], vehicle: BleedingVehicle): BleedRun | undefined {
  const all = inTrueOrder(entries);
  const said = new Map(factsOf(all, BleedStep).map(({ fact, entry }) => [entry.id, fact]));
  const signs = new Map(factsOf(all, BleedSign).map(({ fact, entry }) => [entry.id, fact]));
  const methods = methodsFor(vehicle);
  let run: BleedRun | undefined;
  let pouredL = 0;
  let toppedMs = Number.NEGATIVE_INFINITY;
  for (const entry of all) {
    const fact = said.get(entry.id);
    const method = fact && methods.find(({ school }) => school === fact.school);
    if (fact && method && fact.step < method.steps.length) {
      if (fact.does === "starts") {
        const isNew = !run || run.method.school !== fact.school || fact.step === 0;
        const endsAt =
          fact.minutes === undefined
            ? {}
            : { endsAt: new Date(Date.parse(entry.at) + fact.minutes * MINUTE_MS).toISOString() };
        run = {
          method,
          step: fact.step,
          startedAt: entry.at,
          ...endsAt,
          isEnded: false,
          cycles: isNew ? [] : (run?.cycles ?? []),
          signs: isNew ? {} : (run?.signs ?? {}),
        };
        pouredL = 0;
      } else if (run && fact.does === "stops") run = { ...run, stopped: entry.text ?? "stopped" };
      else if (
        run &&
        fact.does === "ends" &&
        run.step === fact.step &&
        !run.isEnded &&
        method.steps[fact.step]?.kind === "top-up"
      ) {
        run = { ...run, isEnded: true, cycles: [...run.cycles, { toppedUpL: Math.min(MOST_L, pouredL) }] };
        pouredL = 0;
        toppedMs = Date.parse(entry.at);
      }
      continue;
    }
    if (!run) continue;
    const sign = signs.get(entry.id);
    if (sign) run = { ...run, signs: { ...run.signs, [sign.sign]: sign.verdict } };
    if (entry.account === "coolant" && entry.kind === "movement" && (entry.item ?? "") === "poured") {
      const last = run.cycles.at(-1);
      const isLate = last !== undefined && Date.parse(entry.at) - toppedMs <= LATE_MS;
      if (isLate)
        run = {
          ...run,
          cycles: [
            ...run.cycles.slice(0, -1),
            { toppedUpL: Math.min(MOST_L, last.toppedUpL + (entry.in ?? 0)) },
          ],
        };
      else pouredL += entry.in ?? 0;
    }
    const reading = coolReadingOf(entry);
    if (!reading) continue;
    const { limitC, steps } = run.method;
    const isHot = steps[run.step]?.kind === "run";
    if (isHot && !run.stopped && reading.where === "engine" && reading.coolantC > limitC)
      run = { ...run, stopped: `${reading.coolantC} °C was read, over ${limitC} °C` };
  }
  return run;
}
