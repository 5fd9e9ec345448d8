import type { Dimension } from "../../kernel/units/index.ts";
import { KINDS } from "../coolant/index.ts";
import { CIRCUIT_KINDS, type CircuitKind } from "../diagnosis/knowledge/index.ts";
import type { SensorPoint } from "../electrics/index.ts";

/** What the maker says of a vehicle's cooling system, in core units: what every log, mix and cap is judged by. */
export interface CoolingCard {
  capacityL: number;
  coolantKind: string;
  coolantProduct: string;
  /** The maker's approval that it asks for, several apart by commas; empty where it asks for none. */
  coolantApproval: string;
  targetFraction: number;
  capGaugeKpa: number;
  /** Nothing where nobody knows it: a log is judged by the rest. */
  thermostatOpensC: number | null;
  circuit: string | null;
  /** Where each fan stage starts and stops, low stage first; nothing where nobody knows its stop. */
  fanOnC: number[];
  fanOffC: (number | null)[];
  fanSenses: "engine" | "radiator";
  fillPoint: string;
  bleedPoints: string;
  oilCooler: string;
  /** The coolant sensor's curve; empty where nobody knows it. */
  sensorCurve: SensorPoint[];
}

/** What a field holds: a figure within a range, letters, one of some words, or one figure a stage of the fan. */
export type CardFieldKind =
  | {
      is: "figure";
      dimension: Dimension;
      least: number;
      most: number;
      usual?: string;
      beside?: string;
      open?: string;
    }
  | { is: "text"; most: number }
  | {
      is: "choice";
      of: readonly string[];
      words?: Readonly<Record<string, string>>;
      usual?: string;
      open?: string;
    }
  | { is: "stages"; dimension: Dimension; least: number; most: number; open?: string }
  | { is: "curve"; mostPoints: number; most: number };

export type CardField = CardFieldKind & {
  /** What its form calls it; one a stage where there are several. */
  asked: string | readonly [low: string, high: string];
  /** Its label where it is asked for. */
  label: string | readonly [low: string, high: string];
  /** What it is called where it is shown; of a fan's stages each has its own. */
  said: string;
  hint?: string;
  /** What a file says that was written before there was such a field. */
  older?: "";
};

const CIRCUIT_WORDS: Record<CircuitKind, string> = {
  "switch-1": "one-stage switch in the radiator",
  "switch-2": "two-stage switch in the radiator",
  "switch-relays": "switch grounds two relays",
  "ecu-relay": "engine computer grounds a relay",
  "ecu-module": "engine computer, fan module",
  "self-contained": "fan with its own thermostat",
  viscous: "belt-driven, viscous clutch",
};

/** Fans start and stop within it, °C. */
const FAN = { is: "stages", dimension: "temperature", least: 40, most: 150 } as const;

/**
 * A card's fields, in the order in which a maker's book gives them. Form, sheet, table of the database, job file and its schema
 * are told from this list: a new field is a line of it, a line of `CoolingCard`, and a migration.
 */
export const CARD_FIELDS: Readonly<Record<keyof CoolingCard, CardField>> = {
  capacityL: {
    is: "figure",
    dimension: "volume",
    least: 0.5,
    most: 200,
    asked: "capacity",
    label: "Holds",
    said: "holds",
  },
  coolantKind: {
    is: "choice",
    of: KINDS,
    asked: "coolantKind",
    label: "Coolant kind",
    said: "coolant kind",
    hint: "By the maker's approval, never by colour",
  },
  coolantProduct: { is: "text", most: 80, asked: "coolantProduct", label: "Product", said: "coolant" },
  coolantApproval: {
    is: "text",
    most: 80,
    asked: "coolantApproval",
    label: "Approval it asks for",
    said: "approval",
    older: "",
  },
  targetFraction: {
    is: "figure",
    dimension: "fraction",
    least: 0.2,
    most: 0.65,
    usual: "50 %",
    asked: "strength",
    label: "Strength",
    said: "strength",
  },
  capGaugeKpa: {
    is: "figure",
    dimension: "pressure",
    least: 0,
    most: 300,
    beside: "gauge",
    asked: "cap",
    label: "Cap opens at",
    said: "cap",
  },
  thermostatOpensC: {
    is: "figure",
    dimension: "temperature",
    least: 40,
    most: 120,
    open: "not known",
    asked: "thermostatOpens",
    label: "Thermostat opens",
    said: "thermostat opens",
  },
  circuit: {
    is: "choice",
    of: CIRCUIT_KINDS,
    words: CIRCUIT_WORDS,
    open: "not known yet",
    asked: "circuit",
    label: "Fan circuit",
    said: "fan circuit",
  },
  fanOnC: {
    ...FAN,
    asked: ["lowOn", "highOn"],
    label: ["Fan starts", "High stage starts"],
    said: "fan on",
    hint: "The low stage, if there are two",
  },
  fanOffC: {
    ...FAN,
    open: "not known",
    asked: ["lowOff", "highOff"],
    label: ["Fan stops", "High stage stops"],
    said: "fan off",
  },
  fanSenses: {
    is: "choice",
    of: ["engine", "radiator"],
    words: { engine: "engine outlet" },
    usual: "engine",
    asked: "fanSenses",
    label: "Fan switch or sensor at",
    said: "fan switch or sensor at",
  },
  fillPoint: { is: "text", most: 120, asked: "fillPoint", label: "Filled at", said: "fill at" },
  bleedPoints: { is: "text", most: 120, asked: "bleedPoints", label: "Bled at", said: "bleed" },
  oilCooler: {
    is: "choice",
    of: ["none", "in the radiator", "outside"],
    usual: "none",
    asked: "oilCooler",
    label: "Oil cooler",
    said: "oil cooler",
  },
  sensorCurve: {
    is: "curve",
    mostPoints: 12,
    most: 300,
    asked: "sensorCurve",
    label: "Coolant sensor's curve",
    said: "sensor's curve",
    hint: "°C and ohms, off the maker's table; leave it open if nobody knows it",
  },
};

export const CARD_NAMES = Object.keys(CARD_FIELDS) as (keyof CoolingCard)[];
