import {
  type BleedingVehicle,
  type CoolReading,
  type Method,
  methodsFor,
  type Sign,
} from "../bleed/index.ts";
import { BleedSign, BleedStep, factsOf } from "../facts/index.ts";
import type { Verdict } from "../judgement/index.ts";
import { type Entry, standing } from "../ledger/index.ts";
import { coolReadingOf } from "./cooling.ts";

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
  /** When the engine was shut off warm, seconds; absent while it runs. */
  shutOffAtS?: number;
  /** Readings of the coolant since the engine was last shut off, seconds and °C; none while it runs. */
  cooling: CoolReading[];
}

const MINUTE_MS = 60_000;
const MS = 1000;
/** More than that in one cycle was a fill. */
const MOST_L = 50;

/** Whether the engine ran in the step before. */
const isWarm = (run: BleedRun | undefined) => run?.method.steps[run.step]?.kind === "run";

/**
 * The bleeding in hand by a job's book, from the last time that a school was begun; nothing where none was. A reading over
 * the limit while the engine runs stops it, whoever booked it and however. `vehicle` as for `methodsFor`.
 */
export function bleedRun(entries: readonly Entry[], vehicle: BleedingVehicle): BleedRun | undefined {
  const all = standing(entries);
  const said = new Map(factsOf(all, BleedStep).map(({ fact, entry }) => [entry.id, fact]));
  const signs = new Map(factsOf(all, BleedSign).map(({ fact, entry }) => [entry.id, fact]));
  const methods = methodsFor(vehicle);
  let run: BleedRun | undefined;
  let pouredL = 0;
  for (const entry of all) {
    const fact = said.get(entry.id);
    const method = fact && methods.find(({ school }) => school === fact.school);
    if (fact && method && fact.step < method.steps.length) {
      if (fact.does === "starts") {
        const isNew = !run || run.method.school !== fact.school || fact.step === 0;
        const isOff = method.steps[fact.step]?.kind === "cool";
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
          ...(isOff && isWarm(run) ? { shutOffAtS: Date.parse(entry.at) / MS } : {}),
          cycles: isNew ? [] : (run?.cycles ?? []),
          signs: isNew ? {} : (run?.signs ?? {}),
          cooling: isOff ? [] : method.steps[fact.step]?.kind === "top-up" ? (run?.cooling ?? []) : [],
        };
        pouredL = 0;
      } else if (run && fact.does === "stops")
        run = {
          ...run,
          stopped: entry.text ?? "stopped",
          shutOffAtS: Date.parse(entry.at) / MS,
          cooling: run.stopped ? run.cooling : [],
        };
      else if (
        run &&
        fact.does === "ends" &&
        run.step === fact.step &&
        !run.isEnded &&
        method.steps[fact.step]?.kind === "top-up"
      ) {
        run = { ...run, isEnded: true, cycles: [...run.cycles, { toppedUpL: Math.min(MOST_L, pouredL) }] };
        pouredL = 0;
      }
      continue;
    }
    if (!run) continue;
    const sign = signs.get(entry.id);
    if (sign) run = { ...run, signs: { ...run.signs, [sign.sign]: sign.verdict } };
    if (entry.account === "coolant" && entry.kind === "movement" && (entry.item ?? "") === "poured")
      pouredL += entry.in ?? 0;
    const reading = coolReadingOf(entry);
    if (!reading) continue;
    const { limitC, steps } = run.method;
    const isHot = steps[run.step]?.kind === "run";
    if (isHot && !run.stopped && reading.coolantC > limitC)
      run = { ...run, stopped: `${reading.coolantC} °C was read, over ${limitC} °C`, cooling: [] };
    if (!isHot || run.stopped) run = { ...run, cooling: [...run.cooling, reading] };
  }
  return run;
}
