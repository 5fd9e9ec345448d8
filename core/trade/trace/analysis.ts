import type { Judgement } from "../../kernel/verdict/index.ts";

export interface TraceSpec {
  /** Nothing where the card doesn't say it: its check is then not seen, and the others need it not. */
  thermostatOpensC?: number | null;
  /** Where each fan stage starts, low stage first. */
  fanOnC: number[];
  /** Where each stops; null where the card doesn't say it. */
  fanOffC: (number | null)[];
  /** What the switch or sensor that starts the fan feels; "radiator" reads cooler than the engine's own sensor. */
  fanSenses?: "engine" | "radiator";
  /** Hours that the engine stood before the log; unknown where absent. */
  restedH?: number;
  toleranceC?: number;
}

export interface TraceEvent {
  kind: "thermostat-opens" | "fan-on" | "fan-off" | "dropout" | "revs-raised";
  atS: number;
  coolantC: number;
  /** Fan stage, from 1. */
  stage?: number;
}

export const CHECKS = ["signal", "soak", "climb", "thermostat", "fanOn", "fanOff", "peak"] as const;
export type CheckName = (typeof CHECKS)[number];

/** How a check failed: it never came, came long before its time, or came at the wrong place. */
export const FAILINGS = ["never", "early", "elsewhere"] as const;
export type Failing = (typeof FAILINGS)[number];

/** A check with how it failed, where it did and that can be told. */
export type CheckJudgement = Judgement & {
  failing?: Failing;
  /** Of a fan's stages: how many were seen to do as the card says. */
  stagesSeen?: number;
};

export interface TraceAnalysis {
  events: TraceEvent[];
  checks: Record<CheckName, CheckJudgement>;
  peakC: number;
}
