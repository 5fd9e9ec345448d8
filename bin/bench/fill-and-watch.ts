import { seededRandom } from "../../core/kernel/chance/index.ts";
import { bleedProgress, coolDown } from "../../core/trade/bleed/index.ts";
import { airOut, shutOff } from "../../core/trade/bleed/virtual-cool-down.fixture.ts";
import { blend, boilingPointC, refill } from "../../core/trade/coolant/index.ts";
import { lossRate } from "../../core/trade/leaks/index.ts";
import { looks } from "../../core/trade/leaks/virtual-leak.fixture.ts";
import { type Figure, median, medianMs } from "./measure.ts";

const TARGET_C = 50;
const SAFE_CARS = 10_000;
const FORECAST_CARS = 600;
const RUNS = 2000;

/** A car read every few minutes until it is said to be safe, with what was forecast on the way. */
function watched(random: () => number, mayForecast: boolean) {
  const car = shutOff(random);
  let truthS = 0;
  while (car.at(truthS) > TARGET_C && truthS < 40_000) truthS += 10;
  const everyS = 240 + 560 * random();
  const readings: { atS: number; coolantC: number }[] = [];
  const said = { isUnsafe: false, forecasts: 0, early: 0, late: [] as number[], lateOfRest: [] as number[] };
  for (let atS = 0; atS < 43_000; atS += everyS) {
    readings.push({ atS, coolantC: Math.round(car.at(atS) + 2 * random() - 1) });
    // Safe is told by the last two; without a third nothing is forecast.
    const { safeNow, readyAtS } = coolDown(mayForecast ? readings : readings.slice(-2));
    if (safeNow === "pass") {
      said.isUnsafe = car.at(atS) > TARGET_C;
      break;
    }
    if (!readyAtS || atS >= truthS) continue;
    said.forecasts++;
    if (readyAtS.latest < truthS) said.early++;
    said.late.push((100 * (readyAtS.latest - truthS)) / truthS);
    said.lateOfRest.push((100 * (readyAtS.latest - truthS)) / (truthS - atS));
  }
  return said;
}

function held(runs: number, work: (random: () => number) => boolean): number {
  const random = seededRandom(41);
  let count = 0;
  for (let run = 0; run < runs; run++) if (work(random)) count++;
  return (100 * count) / runs;
}

/** An interval that should hold the truth between 75 and 90 times in a hundred: two figures of one. */
const interval = (name: string, percent: number): Figure[] => [
  { name, measured: percent, unit: "%", wanted: 75, atLeast: true },
  { name, measured: percent, unit: "%", wanted: 90 },
];

const product = { base: "ethylene", fraction: 1 } as const;

/** Filling, bleeding, cooling down and watching, against worlds of other equations than the core's own. */
export async function benchFillAndWatch(): Promise<Figure[]> {
  const random = seededRandom(2);
  let unsafe = 0;
  for (let car = 0; car < SAFE_CARS; car++) if (watched(random, false).isUnsafe) unsafe++;
  const cars = Array.from({ length: FORECAST_CARS }, () => watched(random, true));
  const sum = (of: (car: (typeof cars)[number]) => number) => cars.reduce((total, car) => total + of(car), 0);
  const forecasts = sum(({ forecasts }) => forecasts);
  const late = cars.flatMap((car) => car.late);
  const rest = median(cars.flatMap((car) => car.lateOfRest));
  const bleeding = [2, 3, 4, 6].map((cycles) =>
    held(RUNS / 4, (draw) => {
      const { leftL, poured } = airOut({ cycles, pouredL: 0.05, unlike: 0.25 }, draw);
      const { low, high } = bleedProgress(poured).stillL;
      return low <= leftL && leftL <= high;
    }),
  );
  const leaking = held(RUNS, (draw) => {
    const world = {
      perDayL: 0.01 + 0.08 * draw(),
      readingL: 0.1,
      misread: 0.08,
      roundL: 0.1,
      visits: 4 + Math.floor(9 * draw()),
      apartDays: 2 + 8 * draw(),
    };
    const { low, high } = lossRate(looks(world, draw)).perDayL;
    return low <= world.perDayL && world.perDayL <= high;
  });
  const mixed = () => {
    blend({ litres: 5, targetFraction: 0.5, product });
    refill({ capacityL: 8, remainingL: 3, remainingFraction: 0.3, targetFraction: 0.5, product });
    boilingPointC("ethylene", 0.5, 210);
  };
  return [
    { name: "blend, refill and boil", measured: await medianMs(200, mixed), unit: "ms", wanted: 1 },
    {
      name: `said to be safe and above ${TARGET_C} °C, of ${SAFE_CARS} cool-downs`,
      measured: unsafe,
      unit: "",
      wanted: 1,
    },
    {
      name: "forecasts whose latest is early",
      measured: (100 * sum(({ early }) => early)) / forecasts,
      unit: "%",
      wanted: 1,
      from: `${forecasts} forecasts on ${FORECAST_CARS} cool-downs`,
    },
    {
      name: "latest of a forecast is late, median, of the whole cool-down",
      measured: median(late),
      unit: "%",
      wanted: 25,
      from: `${rest.toFixed(0)} % of what was left of it`,
    },
    ...interval(
      "air still in, held by its interval",
      bleeding.reduce((total, each) => total + each, 0) / bleeding.length,
    ),
    ...interval("rate of a loss, held by its interval", leaking),
  ];
}
