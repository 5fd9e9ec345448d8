import { seededRandom } from "../../core/kernel/chance/index.ts";
import { ACCOUNTS, explainCurve } from "../../core/trade/health/index.ts";
import { FAULT_IDS, simulate, type ThermalCar, USUAL_CAR } from "../../core/trade/thermal/index.ts";
import type { Figure } from "./measure.ts";

const LOGS = 300;
const SEED = 24_555;
/** A fault that moves a curve by less isn't shown by it, °C. */
const SHOWN_C = 1.5;

/** Logs of cars with one fault that they show, each car a little otherwise than it is known: how often the fault is named. */
export async function benchExplain(): Promise<Figure[]> {
  const shown = FAULT_IDS.filter((fault) =>
    ACCOUNTS.some(({ id, hypotheses }) => id !== "sound" && hypotheses.includes(fault)),
  );
  const ms: number[] = [];
  let [first, three] = [0, 0];
  for (let seed = SEED; ms.length < LOGS; seed++) {
    const random = seededRandom(seed);
    const between = (least: number, most: number) => least + (most - least) * random();
    const fault = shown[Math.floor(random() * shown.length)] as string;
    const opensC = [82, 87, 92][seed % 3] as number;
    const onC = opensC + Math.round(between(8, 13));
    const capacityL = between(5.5, 11);
    const low = { onC, offC: onC - 6, airKgS: between(0.2, 0.4) };
    const known: ThermalCar = {
      ...USUAL_CAR,
      capacityL,
      litres: capacityL,
      metalKJPerK: between(40, 75),
      draughtKgS: between(0.03, 0.07),
      opensC,
      opensOverC: between(8, 13),
      waxLagS: between(6, 16),
      fans: random() < 0.4 ? [low, { onC: onC + 5, offC: onC - 1, airKgS: 0.5 }] : [low],
    };
    const car: ThermalCar = {
      ...known,
      idleKW: known.idleKW * between(0.95, 1.05),
      opensC: opensC + between(-1, 1),
      fans: known.fans.map((fan) => ({
        ...fan,
        onC: fan.onC + between(-0.7, 0.7),
        offC: fan.offC + between(-0.7, 0.7),
      })),
    };
    const steps = [
      { minutes: 18, rpm: 1500 },
      { minutes: 12, rpm: 2500 },
    ];
    const script = { ambientC: between(0, 32), steps };
    const curve = (faults: readonly string[]) =>
      simulate(car, script, faults, { isExact: true }).trace.coolantC;
    const [faulty, sound] = [curve([fault]), curve([])];
    const squares = faulty.reduce((sum, value, row) => sum + (value - (sound[row] as number)) ** 2, 0);
    if (Math.sqrt(squares / faulty.length) < SHOWN_C) continue;
    const { trace } = simulate(car, script, [fault], { seed });
    const from = performance.now();
    const explained = explainCurve(trace, known, { restedH: 12 })?.explained ?? [];
    ms.push(performance.now() - from);
    const rank = explained.findIndex(({ account }) => account.hypotheses.includes(fault));
    if (rank === 0) first++;
    if (rank >= 0 && rank < 3) three++;
  }
  const of = `${LOGS} logs, seed ${SEED}; ${Math.round(ms.sort((a, b) => a - b)[LOGS >> 1] as number)} ms each, median`;
  return [
    {
      name: "true fault first",
      measured: (100 * first) / LOGS,
      unit: "%",
      wanted: 80,
      atLeast: true,
      from: of,
    },
    {
      name: "true fault in the best three",
      measured: (100 * three) / LOGS,
      unit: "%",
      wanted: 95,
      atLeast: true,
      from: of,
    },
  ];
}
