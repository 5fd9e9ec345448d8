import type { TraceSpec } from "../analysis.ts";
import type { Drive, VirtualCar } from "./five-nodes.fixture.ts";

export const SOUND_KINDS = [
  "plain",
  "two",
  "radiator",
  "revs",
  "hot",
  "half",
  "us",
  "gaps",
  "inlet",
  "heater",
  "gust",
  "mix",
] as const;
export const FAULTS = [
  "fan-dead",
  "fan-late",
  "fan-early",
  "fan-welded",
  "low-dead",
  "high-dead",
  "stuck-open",
  "stuck-shut",
  "opens-early",
  "opens-late",
  "bias",
  "air",
  "dropout",
] as const;
export type SoundKind = (typeof SOUND_KINDS)[number];
export type Fault = (typeof FAULTS)[number];

export interface Script {
  car: VirtualCar;
  drive: Drive;
  spec: TraceSpec;
  log: {
    hz: number;
    fahrenheit: boolean;
    jitter: number;
    gaps: boolean;
    biasC: number;
    air: boolean;
    dropouts: number;
  };
}

/** Draws from a stream of chance. */
export const draws = (random: () => number) => ({
  from: (low: number, high: number) => low + (high - low) * random(),
  one: <T>(items: readonly T[]): T => items[Math.floor(random() * items.length)] as T,
  odds: (share: number) => random() < share,
  /** Roughly normal, cut off at three. */
  normal: () => Math.max(-3, Math.min(3, (random() + random() + random() + random() - 2) * 1.73)),
});

/** A car, what was done with it and how it was logged, as one kind of log would have it; `fault` spoils it. */
export function script(kind: SoundKind, fault: Fault | undefined, random: () => number): Script {
  const { from, one, odds, normal } = draws(random);
  const mixed = kind === "mix";
  const is = (name: SoundKind, share = 0.3) => kind === name || (mixed && odds(share));
  const opensC = one([80, 82, 83, 87, 88, 89, 92, 95]);
  const twoStage = fault === "low-dead" || fault === "high-dead" || is("two", 0.4);
  const senses = is("radiator", 0.2) ? ("radiator" as const) : ("engine" as const);
  const onC = senses === "radiator" ? opensC - Math.round(from(-1, 4)) : opensC + Math.round(from(8, 16));
  const offC = onC - Math.round(from(4, 8));
  const fanOnC = twoStage ? [onC, onC + Math.round(from(5, 8))] : [onC];
  const fanOffC = fanOnC.map((on, stage) => (stage === 0 ? offC : on - Math.round(from(4, 7))));
  const hot = is("hot", 0.15);
  const half = !hot && is("half", 0.15);
  const ambientC = is("heater", 0) ? from(-12, 5) : from(-10, 38);
  const startC = hot
    ? Math.min(opensC - 3, from(62, 88))
    : half
      ? ambientC + from(18, 45)
      : ambientC + from(-0.5, 0.5);
  const idleKW = from(5.5, 9.5);
  const needed = idleKW / (onC - 5 - ambientC);
  const draughtKWPerK = needed * from(0.1, 0.95);
  const strong = needed * from(1.7, 3.2);
  const car: VirtualCar = {
    metalKJ: from(25, 55),
    sumpKJ: from(8, 20),
    blockKJ: from(14, 30),
    radiatorKJ: from(6, 13),
    idleKW,
    revsPower: from(0.7, 1.05),
    metalKWPerK: from(0.5, 1.2),
    sumpKWPerK: from(0.02, 0.07),
    bareKWPerK: idleKW / from(180, 320),
    heaterKWPerK: is("heater", 0.25) ? (idleKW / 100) * from(0.15, 0.4) : 0,
    flowKWPerK: from(0.7, 1.5),
    draughtKWPerK,
    fanKWPerK: twoStage ? [strong * from(0.45, 0.8), strong * 1.2] : [strong],
    gustShare: is("gust", 0.25) ? from(0.1, 0.35) : 0.02,
    thermostat: {
      opensC: opensC + 0.7 * normal(),
      rangeC: from(7, 13),
      lagS: from(4, 22),
      at: is("inlet", 0.3) ? "inlet" : "outlet",
      leak: 0,
      leastLift: odds(0.5) ? 0 : from(0, 0.004),
      mostLift: 1,
    },
    fans: fanOnC.map((on, stage) => ({
      onC: on + 0.6 * normal(),
      offC: (fanOffC[stage] ?? 0) + 0.6 * normal(),
      works: true,
      welded: false,
    })),
    fanSenses: senses,
    sensorLagS: from(2, 5),
    switchLagS: from(8, 30),
  };
  const seconds = Math.round(from(22, 48)) * 60;
  const revs: Drive["revs"] = [];
  if (is("revs", 0.35)) {
    let atS = from(200, seconds * 0.6);
    for (let i = Math.floor(from(1, 3.99)); i > 0 && atS < seconds - 120; i--) {
      const forS = from(40, 220);
      revs.push({
        fromS: Math.round(atS * 10) / 10,
        toS: Math.round((atS + forS) * 10) / 10,
        rpm: from(1800, 2800),
      });
      atS += forS + from(30, 700);
    }
  }
  const log = {
    hz: one([1, 1, 2, 3, 5, 10]),
    fahrenheit: is("us", 0.2),
    jitter: from(0, 0.3),
    gaps: is("gaps", 0.2),
    biasC: 0,
    air: false,
    dropouts: 0,
  };
  const made: Script = {
    car,
    drive: {
      ambientC,
      startC,
      seconds,
      revs,
      idleRpm: from(680, 860),
      fastRpm: odds(0.5) ? from(250, 600) : 0,
      fastS: from(80, 260),
    },
    spec: {
      thermostatOpensC: opensC,
      fanOnC,
      fanOffC,
      fanSenses: senses,
      ...(hot || half ? (odds(0.5) ? { restedH: 2 } : {}) : { restedH: 12 }),
    },
    log,
  };
  if (fault) spoil(made, fault, random);
  return made;
}

function spoil({ car, log, drive, spec }: Script, fault: Fault, random: () => number): void {
  const { from, odds } = draws(random);
  const by = (celsius: number) => {
    for (const fan of car.fans) {
      fan.onC += celsius;
      fan.offC += celsius;
    }
  };
  if (fault === "fan-dead") for (const fan of car.fans) fan.works = false;
  if (fault === "fan-late") by(from(8, 14));
  if (fault === "fan-early") by(-from(8, 14));
  if (fault === "fan-welded") for (const fan of car.fans.slice(0, 1)) fan.welded = true;
  if (fault === "low-dead" && car.fans[0]) car.fans[0].works = false;
  if (fault === "high-dead" && car.fans[1]) car.fans[1].works = false;
  if (fault === "stuck-open") car.thermostat.leastLift = from(0.5, 1);
  if (fault === "stuck-shut") car.thermostat.mostLift = car.thermostat.leastLift = 0;
  if (fault === "opens-early") car.thermostat.opensC -= from(8, 14);
  if (fault === "opens-late") car.thermostat.opensC += from(8, 14);
  if (fault === "bias") {
    log.biasC = from(8, 16) * (odds(0.5) ? 1 : -1);
    // A night has passed, or nobody could tell.
    drive.startC = drive.ambientC;
    spec.restedH = 12;
    // What the engine's computer switches by is the sensor's own lie.
    if (car.fanSenses === "engine") by(-log.biasC);
  }
  if (fault === "air") log.air = true;
  if (fault === "dropout") log.dropouts = Math.floor(from(1, 4.99));
}
