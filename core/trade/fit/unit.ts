import type { Side } from "./side-from-seat.ts";

/** What a neck or a port of a radiator leads to: "inlet" alone is said both ways. */
export const FEEDS = [
  "engine outlet",
  "engine inlet",
  "tank",
  "heater",
  "oil cooler in",
  "oil cooler out",
  "drain",
  "cap",
  "switch or sensor",
] as const;
export type Feeds = (typeof FEEDS)[number];

export interface Neck {
  feeds: Feeds;
  side: Side;
  /** From the foot of the core, mm. */
  heightMm?: number;
  diameterMm?: number;
}

/** A radiator or fan unit as it is measured on the bench, mm; what isn't measured is left out. */
export interface Unit {
  widthMm?: number;
  heightMm?: number;
  depthMm?: number;
  coreWidthMm?: number;
  coreHeightMm?: number;
  coreThicknessMm?: number;
  necks?: readonly Neck[];
  /** Whether every neck and port of it is in that list: then what isn't among them is not there. Said by nobody, a list without
   * both of the engine's necks is not. */
  areNecksAll?: boolean;
  /** How many hold it below and above, and how far they stand apart. */
  pegs?: { bottom?: number; bottomApartMm?: number; top?: number; topApartMm?: number; bushes?: boolean };
  /** Ears or brackets that hold it to the body: how far their holes stand apart. */
  bracketsApartMm?: number;
  /** Fan and shroud: how far its fixings stand apart, their thread, and how deep that goes. */
  mounts?: { apartMm: number; threadMm: number; depthMm?: number };
  /** Thread of the oil cooler's port in and of its port out, across. */
  oilPortsMm?: number;
  oilPortOutMm?: number;
  condenserMounts?: boolean;
  oilCooler?: "none" | "internal" | "external";
  plug?: string;
  blades?: { count?: number; pulls: boolean };
}
