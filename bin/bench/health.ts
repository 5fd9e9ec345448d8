import { seededRandom } from "../../core/kernel/chance/index.ts";
import {
  AS_ITS_OWN,
  carAs,
  type Fitted,
  fitCar,
  ownCar,
  shareError,
  TOLD,
  type ToldName,
} from "../../core/trade/health/index.ts";
import { simulate, type ThermalCar, USUAL_CAR } from "../../core/trade/thermal/index.ts";
import { loggedOf, script } from "../../core/trade/trace/virtual-logs/index.fixture.ts";
import type { Figure } from "./measure.ts";

const CARS = 200;
const OTHERS = 60;
const SEED = 24_004;
/** Two sides of a normal spread, of which nine in ten lie within. */
const NINE_IN_TEN = 1.645;
/** Within a twentieth of a share; of a temperature, of the twenty degrees that a sensor and its switches may sensibly be out by. */
const NEAR: Readonly<Record<ToldName, (truth: number) => number>> = {
  passes: (truth) => 0.05 * truth,
  air: (truth) => 0.05 * truth,
  opensC: () => 1,
  onC: () => 1,
  offC: () => 1,
  biasC: () => 1,
};

/** A car that nobody has fitted anything to, what became of it, and half an hour of it standing still. */
function anyCar(seed: number) {
  const random = seededRandom(seed);
  const between = (least: number, most: number) => least + (most - least) * random();
  const opensC = [82, 87, 92][Math.floor(random() * 3)] ?? 87;
  const onC = opensC + Math.round(between(8, 13));
  const capacityL = between(5.5, 11);
  const car: ThermalCar = {
    ...USUAL_CAR,
    capacityL,
    litres: capacityL,
    metalKJPerK: between(40, 75),
    draughtKgS: between(0.03, 0.07),
    opensC,
    opensOverC: between(8, 13),
    waxLagS: between(6, 16),
    fans: [{ onC, offC: onC - 6, airKgS: between(0.2, 0.4) }],
  };
  const ambientC = between(-5, 33);
  const truth: Fitted = {
    opensC: opensC + between(-5, 5),
    passes: between(0.45, 1.05),
    air: between(0.6, 1.1),
    onC: onC + between(-3, 3),
    offC: onC - 6 + between(-2, 1.5),
    biasC: between(-3, 3),
    heat: between(0.95, 1.05),
    ambientC,
    startC: ambientC,
    ...AS_ITS_OWN,
  };
  const steps = [
    { minutes: 18, rpm: 1500 },
    { minutes: 12, rpm: 2500 },
  ];
  const { trace } = simulate(carAs(car, truth), { ambientC, steps }, [], { seed });
  return { car, truth, trace };
}

interface Tally {
  told: number;
  near: number;
  within3: number;
  within90: number;
}

/** Cars of the model's own equations: what is told of them against what was so. */
function ownEquations() {
  const tally: Tally = { told: 0, near: 0, within3: 0, within90: 0 };
  const ms: number[] = [];
  let redrawn = 0;
  for (let each = 0; each < CARS; each++) {
    const { car, truth, trace } = anyCar(SEED + each);
    const from = performance.now();
    const fit = fitCar(trace, car, { restedH: 12 });
    ms.push(performance.now() - from);
    if (fit?.isRedrawn) redrawn++;
    for (const name of TOLD) {
      const figure = fit?.figures[name];
      if (!figure?.isTold) continue;
      const off = Math.abs(figure.value - truth[name]);
      tally.told++;
      if (off <= NEAR[name](truth[name])) tally.near++;
      if (off <= 3 * figure.error) tally.within3++;
      if (off <= NINE_IN_TEN * figure.error) tally.within90++;
    }
  }
  return { tally, redrawn, ms: ms.sort((a, b) => a - b) };
}

/** Cars by other equations, in a good log and in one with their radiator partly shut: the share against what was shut. */
function otherEquations() {
  let [told, within3, worst] = [0, 0, 0];
  for (let each = 0; each < OTHERS; each++) {
    const random = seededRandom(SEED + each);
    const made = script(each % 2 ? "revs" : "plain", undefined, random);
    const share = 0.4 + 0.6 * random();
    const good = loggedOf(made, "good", random);
    const later = structuredClone(made);
    later.car.draughtKWPerK *= share;
    later.car.fanKWPerK = later.car.fanKWPerK.map((passes) => passes * share);
    const warmer = 12 * (random() - 0.5);
    later.drive.ambientC += warmer;
    later.drive.startC += warmer;
    const log = loggedOf(later, "later", random);
    const { thermostatOpensC, fanOnC, fanOffC } = made.spec;
    const own = ownCar(good.trace, {
      ...USUAL_CAR,
      opensC: thermostatOpensC ?? USUAL_CAR.opensC,
      fans: fanOnC.map((onC, stage) => ({
        onC,
        offC: fanOffC[stage] ?? onC - 6,
        airKgS: stage ? 0.5 : 0.25,
      })),
    });
    if ("because" in own) continue;
    const passes = fitCar(log.trace, own.car, { restedH: 12 })?.figures.passes;
    if (!passes?.isTold) continue;
    const off = Math.abs(passes.value - share);
    told++;
    worst = Math.max(worst, off);
    if (off <= 3 * shareError("passes", passes)) within3++;
  }
  return { told, within3, worst };
}

/** What a log says of a car's health: how near, how sure, how fast; and what it says of cars that its model doesn't know. */
export async function benchHealth(): Promise<Figure[]> {
  const { tally, redrawn, ms } = ownEquations();
  const other = otherEquations();
  const percent = (count: number, of = tally.told) => (100 * count) / Math.max(1, of);
  const from = `${tally.told} figures of ${CARS} cars, ${redrawn} redrawn`;
  return [
    {
      name: "a log of 30 minutes fitted",
      measured: ms[CARS >> 1] ?? 0,
      unit: "ms",
      wanted: 3000,
      from: `median; 19 of 20 under ${Math.round(ms[Math.floor(CARS * 0.95)] ?? 0)} ms`,
    },
    {
      name: "figures within a twentieth, or 1 °C",
      measured: percent(tally.near),
      unit: "%",
      wanted: 95,
      atLeast: true,
      from,
    },
    {
      name: "figures within 3 standard errors",
      measured: percent(tally.within3),
      unit: "%",
      wanted: 95,
      atLeast: true,
      from,
    },
    {
      name: "90 % intervals that hold",
      measured: percent(tally.within90),
      unit: "%",
      wanted: 85,
      atLeast: true,
      from: `85 to 95; ${from}`,
    },
    {
      name: "of cars by other equations, shares within 3 errors",
      measured: percent(other.within3, other.told),
      unit: "%",
      wanted: 90,
      atLeast: true,
      from: `${other.told} of ${OTHERS} told, worst ${other.worst.toFixed(2)} off`,
    },
  ];
}
