import { seededRandom } from "../../core/kernel/chance/index.ts";
import {
  FAULT_IDS,
  SCRIPTS,
  type ScriptName,
  simulate,
  type ThermalCar,
  USUAL_CAR,
} from "../../core/trade/thermal/index.ts";
import { analyseTrace } from "../../core/trade/trace/index.ts";
import { type Figure, medianMs } from "./measure.ts";

const CARS = 300;
const SEED = 2_401;

/** A sound car that nobody has fitted anything to. */
function anyCar(random: () => number): ThermalCar {
  const between = (least: number, most: number) => least + (most - least) * random();
  const opensC = [82, 87, 92][Math.floor(random() * 3)] ?? 87;
  const onC = Math.round(opensC + between(8, 14));
  const capacityL = between(5.5, 11);
  const first = { onC, offC: onC - 6, airKgS: between(0.2, 0.4) };
  return {
    ...USUAL_CAR,
    capacityL,
    litres: capacityL,
    metalKJPerK: between(40, 75),
    draughtKgS: between(0.03, 0.07),
    opensC,
    opensOverC: between(8, 13),
    waxLagS: between(6, 16),
    fans: random() < 0.4 ? [first, { onC: onC + 5, offC: onC - 1, airKgS: 0.5 }] : [first],
  };
}

/** Sound cars of this model before the log reader: what it fails, and how near what it sees is to what was. */
function read(): { failed: number; events: number; near: number } {
  const random = seededRandom(SEED);
  let [failed, events, near] = [0, 0, 0];
  for (let each = 0; each < CARS; each++) {
    const car = anyCar(random);
    const ambientC = -5 + 39 * random();
    const steps =
      each % 2 === 0
        ? [{ minutes: 30 + 25 * random(), rpm: 720 + 180 * random() }]
        : [
            { minutes: 8 + 6 * random(), rpm: 800 },
            { minutes: 10 + 15 * random(), rpm: 2400 },
            { minutes: 10, rpm: 800 },
          ];
    const { trace, truth } = simulate(car, { ambientC, steps }, [], { seed: each });
    const told = analyseTrace(trace, {
      thermostatOpensC: car.opensC,
      fanOnC: car.fans.map(({ onC }) => onC),
      fanOffC: car.fans.map(({ offC }) => offC),
      restedH: 12,
    });
    if (Object.values(told.checks).some(({ verdict }) => verdict === "fail")) failed++;
    for (const { kind, atS, coolantC } of truth.events) {
      events++;
      const isNear = told.events.some(
        (seen) =>
          seen.kind === kind && Math.abs(seen.atS - atS) <= 15 && Math.abs(seen.coolantC - coolantC) <= 1.5,
      );
      if (isNear) near++;
    }
  }
  return { failed, events, near };
}

/** The cooling system that behaves: how fast, how exact, and how its logs are read. */
export async function benchThermal(): Promise<Figure[]> {
  const names = Object.keys(SCRIPTS) as ScriptName[];
  const hour = { ambientC: 18, steps: [{ minutes: 60, rpm: 800 }] };
  const hourMs = await medianMs(7, () => {
    simulate(USUAL_CAR, hour);
  });
  let [halved, lost] = [0, 0];
  for (const name of names) {
    const [whole, half] = [0.1, 0.05].map((dtS) => simulate(USUAL_CAR, SCRIPTS[name], [], { dtS }).truth);
    for (const figure of ["metalC", "blockC", "radiatorC"] as const)
      whole?.[figure].forEach((value, row) => {
        halved = Math.max(halved, Math.abs(value - (half?.[figure][row] ?? Number.NaN)));
      });
  }
  for (const [at, id] of FAULT_IDS.entries()) {
    const script = SCRIPTS[names[at % names.length] as ScriptName];
    const { inKJ, outKJ, storedKJ } = simulate(USUAL_CAR, script, [id]).truth.energy;
    lost = Math.max(lost, (Math.abs(inKJ - outKJ - storedKJ) / inKJ) * 100);
  }
  const { failed, events, near } = read();
  return [
    { name: "an hour simulated at 0.1 s", measured: hourMs, unit: "ms", wanted: 60, from: "median of 7" },
    {
      name: "what halving the step moves",
      measured: halved,
      unit: "°C",
      wanted: 0.05,
      from: `${names.length} scripts`,
    },
    {
      name: "energy that is lost",
      measured: lost,
      unit: "%",
      wanted: 0.1,
      from: `${FAULT_IDS.length} faults over the scripts`,
    },
    {
      name: `of ${CARS} sound cars, those failed by the log reader`,
      measured: failed,
      unit: "",
      wanted: 1.5,
      from: `under 0.5 %, seed ${SEED}`,
    },
    {
      name: "events not read within 15 s and 1.5 °C",
      measured: (1 - near / events) * 100,
      unit: "%",
      wanted: 5,
      from: `${near} of ${events}`,
    },
  ];
}
