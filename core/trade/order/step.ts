export const FEATURES = [
  "undertray",
  "bumper in the way",
  "lamps in the bumper",
  "grille shutters",
  "intake in the way",
  "battery in the way",
  "airbag plugs near",
  "charge cooler",
  "condenser",
  "oil cooler lines",
] as const;
export type Feature = (typeof FEATURES)[number];

export const GOALS = ["radiator", "fan only", "switch only"] as const;
export type Goal = (typeof GOALS)[number];

/** What has to be done before a step, and what happens else. */
export interface Needs {
  id: string;
  because: string;
}

/** One step of taking a front end apart. */
export interface WorkStep {
  id: string;
  name: string;
  why: string;
  needs: readonly Needs[];
  /** Hands on it, and minutes that pass by themselves after it. */
  minutes: number;
  waitMinutes: number;
  /** Until so many minutes after it nothing that needs it may be begun: somebody could be hurt. */
  restMinutes?: number;
  tools: readonly string[];
  people: 1 | 2;
  caution?: string;
  /** Opens a cap or loosens a hose, or says that one may: only on evidence that the engine is cold. */
  isCold?: true;
}
