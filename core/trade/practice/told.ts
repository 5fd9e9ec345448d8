import type { PracticeAct } from "./acts.ts";
import type { EngineRow } from "./engine.ts";
import { hide } from "./hidden.ts";
import { plannersWay } from "./planners-way.ts";
import type { Done, PracticeRound } from "./round.ts";

/** A round as it is told when it is over: plain data, so that a worker may send it. */
export interface RoundTold {
  done: readonly Done[];
  end: "found" | "handed-back" | "given-up" | undefined;
  isRight: boolean;
  cents: number;
  workMinutes: number;
  nights: number;
  tests: number;
  wrongRepairs: number;
  comebackCents: number;
  peakC: number;
  hasBoiled: boolean;
  isUnlooked: boolean;
  openedHot: readonly { at: string; coolantC: number }[];
  rows: readonly EngineRow[];
}

export function tellRound({ done, end, isRight, account, rows }: PracticeRound): RoundTold {
  const { workMinutes, nights, tests, wrongRepairs, comebackCents } = account;
  const { peakC, hasBoiled, isUnlooked, openedHot } = account;
  return {
    done,
    end,
    isRight,
    cents: account.cents(),
    workMinutes: Math.round(workMinutes),
    nights,
    tests,
    wrongRepairs,
    comebackCents,
    peakC,
    hasBoiled,
    isUnlooked,
    openedHot,
    rows,
  };
}

/** A round of practice that somebody is at, or was: all it comes from. */
export interface RoundSetup {
  id: string;
  level: number;
  carKey: string;
  seed: number;
  acts: readonly PracticeAct[];
  /** Whether somebody looked at what is still possible. */
  hadHelp: boolean;
}

/** The same round as the planner would go through it. Up to two seconds of a core: for a worker. */
export const tellPlannersWay = ({
  level,
  carKey,
  seed,
}: Pick<RoundSetup, "level" | "carKey" | "seed">): RoundTold =>
  tellRound(plannersWay(hide(level, carKey, seed)));
