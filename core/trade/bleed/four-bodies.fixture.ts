import type { CoolReading } from "./cool-reading.ts";

export const SENSORS = [
  "sound",
  "dies",
  "sticks",
  "dry",
  "unplugged",
  "radiator",
  "surface",
  "mistyped",
  "late clock",
  "driven again",
] as const;
export type SensorKind = (typeof SENSORS)[number];

const STEP_S = 5;
const LONGEST_S = 30_000;

const between = (random: () => number, low: number, high: number) => low + (high - low) * random();

/** Head, block with oil, radiator and what hangs on it, and the coolant between them: four bodies that share their heat. */
function bodies(random: () => number) {
  const airC = between(random, -9, 37);
  const stopC = between(random, 86, 105);
  const exchange = {
    head: between(random, 1 / 260, 1 / 90),
    block: between(random, 1 / 900, 1 / 320),
    radiator: between(random, 1 / 2600, 1 / 700),
  };
  const lossS = {
    block: between(random, 3500, 12_000),
    radiator: between(random, 900, 2600),
    coolant: 26_000,
  };
  const weigh = {
    head: between(random, 0.4, 1),
    block: between(random, 1.2, 3.2),
    radiator: between(random, 0.3, 0.8),
  };
  return { airC, stopC, exchange, lossS, weigh };
}

/** A car after shut-off at 0 s, its coolant at the engine and at the radiator every five seconds; restarted once where asked. */
export function fourBodies(random: () => number, isDrivenAgain: boolean) {
  const { airC, stopC, exchange, lossS, weigh } = bodies(random);
  let coolant = stopC;
  let head = stopC + between(random, 4, 26);
  let block = stopC + between(random, -4, 8);
  let radiator = stopC - between(random, 6, 40);
  const engine: number[] = [];
  const radiatorC: number[] = [];
  const ranS: [number, number][] = [];
  const startsS = isDrivenAgain ? between(random, 1500, 5500) : Number.POSITIVE_INFINITY;
  const stopsS = startsS + between(random, 200, 1100);
  if (isDrivenAgain) ranS.push([startsS, stopsS]);
  for (let second = 0; second < LONGEST_S; second += STEP_S) {
    engine.push(coolant);
    radiatorC.push(radiator);
    if (second >= startsS && second < stopsS) {
      const warms = (STEP_S * between(random, 0.9, 1.1)) / 9;
      coolant = Math.min(99, coolant + warms);
      head = coolant + 12;
      block = Math.min(97, block + 0.9 * warms);
      radiator += (coolant - radiator) * (coolant > 85 ? 0.02 : 0.0005) * STEP_S;
      continue;
    }
    const fromHead = (head - coolant) * exchange.head;
    const fromBlock = (block - coolant) * exchange.block;
    const toRadiator = (coolant - radiator) * exchange.radiator;
    coolant += STEP_S * (fromHead * 0.5 + fromBlock - toRadiator - (coolant - airC) / lossS.coolant);
    head += STEP_S * ((-fromHead * 0.5) / weigh.head - (head - block) / 500 - (head - airC) / 16_000);
    block += STEP_S * (-fromBlock / weigh.block + (head - block) / 1400 - (block - airC) / lossS.block);
    radiator += STEP_S * (toRadiator / weigh.radiator - (radiator - airC) / lossS.radiator);
  }
  const at = (series: readonly number[]) => (second: number) =>
    series[Math.max(0, Math.min(series.length - 1, Math.round(second / STEP_S)))] ?? airC;
  const engineAt = at(engine);
  let safeFromS = LONGEST_S;
  for (let place = engine.length - 1; place >= 0 && (engine[place] ?? 0) <= 50; place--)
    safeFromS = place * STEP_S;
  return { airC, stopC, engineAt, radiatorAt: at(radiatorC), ranS, safeFromS };
}

export interface Said extends CoolReading {
  trueS: number;
  trueC: number;
}

/** What somebody with such a sensor writes down, every two to thirteen minutes, in whole degrees. */
export function readings(car: ReturnType<typeof fourBodies>, kind: SensorKind, random: () => number): Said[] {
  const biasC = between(random, -0.9, 0.9);
  const fromS = between(random, 900, 3600);
  const toS = fromS + between(random, 600, 3600);
  const stuckC = between(random, 40, 49);
  const share = between(random, 0.4, 0.7);
  const emissive = between(random, 0.84, 1);
  const lateS = between(random, -1200, 600);
  const said: Said[] = [];
  const slipAt = Math.floor(between(random, 1, 7));
  for (let trueS = between(random, 20, 380); trueS < LONGEST_S; trueS += between(random, 120, 780)) {
    const trueC = car.engineAt(trueS);
    const noiseC = between(random, -0.35, 0.35);
    const isOff = trueS >= fromS && trueS < toS;
    const over = trueC - car.airC;
    const tells: Record<SensorKind, number> = {
      sound: trueC,
      dies: isOff ? car.airC + noiseC : trueC,
      sticks: isOff ? stuckC : trueC,
      dry: car.airC + share * over,
      unplugged: isOff ? -40 : trueC,
      radiator: car.radiatorAt(trueS),
      surface: car.airC + emissive * over * between(random, 0.86, 1.02),
      mistyped: trueC,
      "late clock": trueC,
      "driven again": trueC,
    };
    const read = kind === "sticks" && isOff ? stuckC : tells[kind] + biasC + noiseC;
    const slip = kind === "mistyped" && said.length === slipAt ? 10 * Math.floor(between(random, -6, 2)) : 0;
    const where = kind === "radiator" ? "radiator" : kind === "surface" ? "surface" : "engine";
    const isLate = kind === "late clock" && said.length % 2 === 1;
    said.push({
      atS: Math.round(trueS + (isLate ? lateS : 0)),
      coolantC: Math.max(-40, Math.round(kind === "unplugged" && isOff ? -40 : read + slip)),
      where,
      trueS,
      trueC,
    });
    if (trueS > car.safeFromS + 7200) break;
  }
  return said;
}
