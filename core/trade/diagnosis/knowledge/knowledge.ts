/** What one knows of a fault before any test. */
export interface HypothesisKnowledge {
  id: string;
  /** As one says it across the bonnet. */
  name: string;
  /** Cars in a hundred that come in with a cooling complaint and turn out to have it, where the car can have it. */
  weight: number;
  /** Why that many. */
  reason: string;
  /** How the trouble shows: a row of `troubles.ts`. */
  shows: TroublePattern;
  /** True where it keeps current from going through its component, so that whatever needs that path stands still. */
  breaks?: true;
  /** True where it boils an engine while somebody thinks that nothing was wrong. */
  boils?: true;
}

export type TroublePattern =
  | "dead fan"
  | "half-dead fan"
  | "fan always"
  | "sensor lies open"
  | "wrong temperature"
  | "poor air"
  | "poor flow"
  | "shut"
  | "runs cold"
  | "loses"
  | "low"
  | "air"
  | "gasket"
  | "gauge"
  | "no heat"
  | "mix"
  | "sound";

/** What can hurt while a test is done; each has its caution in `hazards.ts`. */
export type Hazard =
  | "fan may start"
  | "engine running"
  | "hot coolant"
  | "pressure"
  | "live feed"
  | "battery"
  | "key off"
  | "stands"
  | "fins"
  | "refrigerant"
  | "stores a code"
  | "poison";

export interface OutcomeKnowledge {
  id: string;
  /** What the person saw, as the button says it. */
  name: string;
  /** What it says of the stretch that the test goes through. */
  verdict: "pass" | "fail" | "not-seen";
}

export interface TestKnowledge {
  id: string;
  name: string;
  minutes: number;
  /** What must be at hand. */
  needs: string[];
  /** Two or three sentences. */
  how: string;
  hazards: Hazard[];
  /** In the order of the rows' figures. */
  outcomes: OutcomeKnowledge[];
  /** P(outcome) for whatever this test can't see, and why not simply one. */
  usual: number[];
  usualReason: string;
  /** P(outcome) where the stretch the test goes through is broken; only for tests that circuits give a path. */
  broken?: number[];
  brokenReason?: string;
  /** Faults this test sees in their own way; `on` where it does so on some circuits only, looked at first. */
  sees: { row: number[]; faults: string[]; reason: string; on?: CircuitKind[] }[];
  /** What the engine must be for it, and what it leaves behind; where absent the engine's state doesn't matter. */
  engine?: EngineNeed;
  /** Where the engine is heated for it: at this on its own sensor it is switched off, whatever was seen, °C. */
  stopC?: number;
  /** On a car with two fans: the outcome that one of them ran, how often a fault of one fan's own makes it, and others do. */
  oneFan?: { id: string; name: string; seen: number; else: number };
  /** Tests of one group, done from one cold start, are one warm-up. */
  shares?: "warm-up";
}

/** Cold: from a standing engine, and it stays cold. Heats: from cold, and hot after. Hot: must be hot, and stays so. */
export type EngineNeed = "cold" | "heats" | "hot";

export interface RepairKnowledge {
  id: string;
  name: string;
  minutes: number;
  partsCents: number;
  fixes: string[];
  reason: string;
  hazards: Hazard[];
}

export const CIRCUIT_KINDS = [
  "switch-1",
  "switch-2",
  "switch-relays",
  "ecu-relay",
  "ecu-module",
  "self-contained",
  "viscous",
] as const;
export type CircuitKind = (typeof CIRCUIT_KINDS)[number];

export interface Component {
  id: string;
  name: string;
  /** Where it stands on the map: columns from the feed at 0 to ground, rows from the top. */
  at: [column: number, row: number];
  /** Faults that sit in it. */
  faults: string[];
}

export interface CircuitTest {
  test: string;
  /** The components current must go through for the test to end well. */
  path?: string[];
  /** Where probes, jumper or hand go: one component or the two ends. */
  probes?: string[];
}

/** How a fan is controlled: a small graph from feed to ground, with what commands it. */
export interface Circuit {
  kind: CircuitKind;
  name: string;
  components: Component[];
  /** Current goes along these, from the feed towards ground. */
  feeds: [from: string, to: string][];
  /** What tells what to act: drawn thinner, no current for the motor. */
  commands: [from: string, to: string][];
  tests: CircuitTest[];
  /** Components of which each fan has its own: what breaks in one leaves the other fan running. */
  perFan?: string[];
}
