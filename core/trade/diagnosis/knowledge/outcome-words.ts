import type { CircuitKind, OutcomeKnowledge } from "./knowledge.ts";

export const passes = (id: string, name: string): OutcomeKnowledge => ({ id, name, verdict: "pass" });
export const fails = (id: string, name: string): OutcomeKnowledge => ({ id, name, verdict: "fail" });
export const shows = (id: string, name: string): OutcomeKnowledge => ({ id, name, verdict: "not-seen" });

/** Faults that stand in for "the fan gets no current or can't use it". */
export const DEAD_FAN = [
  "fuse",
  "feed",
  "ground",
  "motor",
  "fan-plug",
  "switch-open",
  "switch-plug",
  "relay-coil",
  "relay-contacts",
  "socket-burnt",
  "coil-feed",
  "control-wire",
  "module",
  "computer",
];

/** Faults that keep hot coolant from a switch in the radiator: it stays cold, and so does the fan. */
export const COLD_SWITCH = ["air-lock", "low-coolant", "pump-weak", "belt-slack", "hose-collapsed"];

/** Circuits whose switch feels the radiator, not the engine. */
export const RADIATOR_SIDE: CircuitKind[] = ["switch-1", "switch-2", "switch-relays", "self-contained"];

/** A fan that runs or stands is hard to mistake; what goes wrong is a jumper that didn't touch. */
export const RUNS: number[] = [0.97, 0.03];
export const STANDS: number[] = [0.03, 0.97];
