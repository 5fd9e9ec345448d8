import type { ThermalCar } from "../thermal/index.ts";

/** One way in which a log may have come about: faults that draw the same curve, and how far gone they are. */
export interface Account {
  id: string;
  /** What it is, in words that go behind “as if”. */
  words: string;
  /** The hypotheses of `core/trade/diagnosis` that draw it. */
  hypotheses: readonly string[];
  /** How far gone it may be: from, to, and what is tried first; nothing where it is or isn't. */
  degrees?: { from: number; to: number; tried: readonly number[] };
  /** The result of a test of `core/trade/diagnosis` that it amounts to, where it does. */
  result?: { test: string; outcome: string };
  /** Only for a car with so many stages. */
  leastStages?: number;
  change: (car: ThermalCar, degree: number) => Partial<ThermalCar>;
}

const allStages = ({ fans }: ThermalCar) => fans.map((_, stage) => stage);
const later =
  (): Account["change"] =>
  ({ fans }, byC) => ({ fans: fans.map((fan) => ({ ...fan, onC: fan.onC + byC, offC: fan.offC + byC })) });

/** Every way that a warm-up standing still can show. Leaks, strength, caps and heater flaps draw no other curve than a sound car's. */
export const ACCOUNTS: readonly Account[] = [
  {
    id: "sound",
    words: "everything did what the card says",
    hypotheses: ["nothing-wrong"],
    change: () => ({}),
  },
  {
    id: "no-fan",
    words: "the fan never ran",
    hypotheses: [
      "fuse",
      "feed",
      "ground",
      "motor",
      "fan-plug",
      "switch-open",
      "switch-plug",
      "relay-coil",
      "socket-burnt",
      "coil-feed",
      "relay-contacts",
      "control-wire",
      "module",
      "computer",
    ],
    result: { test: "warm-up", outcome: "no-fan" },
    leastStages: 1,
    change: (car) => ({ deadFans: allStages(car) }),
  },
  {
    id: "no-low",
    words: "the fan's low stage never ran",
    hypotheses: ["resistor", "switch-low-dead"],
    leastStages: 2,
    change: ({ deadFans }) => ({ deadFans: [...deadFans, 0] }),
  },
  {
    id: "no-high",
    words: "the fan's high stage never ran",
    hypotheses: ["switch-high-dead"],
    leastStages: 2,
    change: ({ deadFans, fans }) => ({ deadFans: [...deadFans, fans.length - 1] }),
  },
  {
    id: "first-always",
    words: "the fan ran all the time",
    hypotheses: ["switch-stuck", "ac-trigger", "relay-welded", "clutch-locked"],
    leastStages: 1,
    change: ({ heldFans }) => ({ heldFans: [...heldFans, 0] }),
  },
  {
    id: "all-always",
    words: "the fan ran all the time, at its highest",
    hypotheses: ["relay-welded", "clutch-locked"],
    leastStages: 2,
    change: (car) => ({ heldFans: allStages(car) }),
  },
  {
    id: "little-air",
    words: "the fan ran and drew little air",
    hypotheses: ["motor-stiff", "fan-backwards", "clutch-slips", "shroud-missing"],
    leastStages: 1,
    degrees: { from: 0.05, to: 0.75, tried: [0.2, 0.5] },
    change: ({ fans }, share) => ({ fans: fans.map((fan) => ({ ...fan, airKgS: fan.airKgS * share })) }),
  },
  {
    id: "fan-late",
    words: "the fan was switched too hot",
    hypotheses: ["switch-rating", "switch-drifted"],
    result: { test: "warm-up", outcome: "elsewhere" },
    leastStages: 1,
    degrees: { from: 3.5, to: 18, tried: [6, 9, 13] },
    change: later(),
  },
  {
    id: "fan-early",
    words: "the fan was switched too cold",
    hypotheses: ["switch-rating", "switch-drifted"],
    result: { test: "warm-up", outcome: "elsewhere" },
    leastStages: 1,
    degrees: { from: -20, to: -3.5, tried: [-6, -9, -13] },
    change: later(),
  },
  {
    id: "thermostat-shut",
    words: "the thermostat never opened",
    hypotheses: ["thermostat-shut"],
    result: { test: "thermostat-watch", outcome: "never" },
    degrees: { from: 0, to: 0.06, tried: [0.01] },
    change: ({ leastLift }, lift) => ({ leastLift: Math.min(leastLift, lift), mostLift: lift }),
  },
  {
    id: "thermostat-open",
    words: "the thermostat hung open",
    hypotheses: ["thermostat-open"],
    result: { test: "thermostat-watch", outcome: "early" },
    degrees: { from: 0.05, to: 1, tried: [0.15, 0.6] },
    change: (_, lift) => ({ leastLift: lift }),
  },
  {
    id: "thermostat-cold",
    words: "a colder thermostat was in it",
    hypotheses: ["thermostat-wrong"],
    result: { test: "thermostat-watch", outcome: "early" },
    degrees: { from: 4.5, to: 25, tried: [8, 13] },
    change: ({ opensC }, byC) => ({ opensC: opensC - byC }),
  },
  {
    id: "thermostat-lazy",
    words: "the thermostat opened late and slowly",
    hypotheses: ["thermostat-lazy"],
    result: { test: "thermostat-watch", outcome: "late" },
    degrees: { from: 0.4, to: 2, tried: [0.7, 1.2] },
    change: ({ opensC, opensOverC, waxLagS }, much) => ({
      opensC: opensC + 7 * much,
      opensOverC: opensOverC * (1 + 0.5 * much),
      waxLagS: waxLagS + 50 * much,
    }),
  },
  {
    id: "low-coolant",
    words: "coolant was missing",
    hypotheses: ["low-coolant"],
    degrees: { from: 0.6, to: 0.84, tried: [0.7] },
    change: ({ capacityL }, share) => ({ litres: share * capacityL }),
  },
  {
    id: "air-lock",
    words: "air sat in it: little coolant went round, and the sensor followed slowly",
    hypotheses: ["air-lock"],
    degrees: { from: 0.5, to: 1.6, tried: [1] },
    change: ({ capacityL, pumpLSPerRpm }, much) => ({
      litres: (1 - 0.18 * much) * capacityL,
      pumpLSPerRpm: pumpLSPerRpm * 0.4 ** much,
      sensorLagS: 3 + 17 * much,
    }),
  },
  {
    id: "core-inside",
    words: "the radiator was blocked inside",
    hypotheses: ["core-blocked-inside"],
    degrees: { from: 0.2, to: 0.8, tried: [0.5] },
    change: ({ coreAirKWPerK, coreCoolantKWPerK, mostLift }, share) => ({
      coreAirKWPerK: (0.1 + 0.8 * share) * coreAirKWPerK,
      coreCoolantKWPerK: 0.8 * share * coreCoolantKWPerK,
      mostLift: Math.min(1, share * mostLift),
    }),
  },
  {
    id: "core-outside",
    words: "the radiator was blocked outside",
    hypotheses: ["core-blocked-outside"],
    degrees: { from: 0.1, to: 0.8, tried: [0.4, 0.6] },
    change: ({ airShare, coreAirKWPerK }, share) => ({
      airShare: share * airShare,
      coreAirKWPerK: (0.5 + 0.5 * share) * coreAirKWPerK,
    }),
  },
  {
    id: "pump-weak",
    words: "the pump moved little",
    hypotheses: ["pump-weak"],
    degrees: { from: 0.05, to: 0.7, tried: [0.15, 0.3, 0.5] },
    change: ({ pumpLSPerRpm }, share) => ({ pumpLSPerRpm: share * pumpLSPerRpm }),
  },
  {
    id: "belt-slack",
    words: "the belt slipped, more so as the revs rose",
    hypotheses: ["belt-slack"],
    degrees: { from: 0.3, to: 0.95, tried: [0.6] },
    change: ({ pumpLSPerRpm, pumpMostRpm }, share) => ({
      pumpLSPerRpm: share * pumpLSPerRpm,
      pumpMostRpm: Math.min(pumpMostRpm, 2500 * share),
    }),
  },
  {
    id: "hose-collapsed",
    words: "a hose drew shut as the revs rose",
    hypotheses: ["hose-collapsed"],
    degrees: { from: 500, to: 2000, tried: [900] },
    change: (_, rpm) => ({ pumpMostRpm: rpm }),
  },
  {
    id: "sensor-biased",
    words: "the sensor showed too little or too much",
    hypotheses: ["sensor-biased"],
    result: { test: "live-cold", outcome: "apart" },
    degrees: { from: -16, to: 16, tried: [-9, 9] },
    change: (_, byC) => ({ sensorBiasC: byC }),
  },
  {
    id: "head-gasket",
    words: "hot gas blew into the coolant",
    hypotheses: ["head-gasket"],
    degrees: { from: 1, to: 6, tried: [2.5] },
    change: (_, kW) => ({ gasKW: kW }),
  },
  {
    id: "sensor-dead-cold",
    words: "the sensor or its plug was open",
    hypotheses: ["sensor-open", "sensor-plug"],
    result: { test: "live-cold", outcome: "coldest" },
    change: (car) => ({ sensorShowsC: -40, heldFans: allStages(car) }),
  },
  {
    id: "sensor-dead-hot",
    words: "the sensor or its wires were shorted",
    hypotheses: ["sensor-short"],
    result: { test: "live-cold", outcome: "hottest" },
    change: (car) => ({ sensorShowsC: 140, heldFans: allStages(car) }),
  },
];
