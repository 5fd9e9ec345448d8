import { seededRandom } from "../../core/kernel/chance/index.ts";
import { BENCH_CARS } from "../../core/trade/bench/index.ts";
import { hide, LEVELS, plannersWay, tellRound } from "../../core/trade/practice/index.ts";
import type { Figure } from "./measure.ts";

const ROUNDS = 120;
const SEED = 4_711;

/** Rounds of practice gone through by the planner: what it finds, what it risks, and how long the longest takes. */
export async function benchPractice(): Promise<Figure[]> {
  const random = seededRandom(SEED);
  const figures: Figure[] = [];
  let [risked, longestMs, endless] = [0, 0, 0];
  for (const { id, name } of LEVELS) {
    let [found, right, cents] = [0, 0, 0];
    for (let round = 0; round < ROUNDS; round++) {
      const { key } = BENCH_CARS[round % BENCH_CARS.length] ?? { key: "" };
      const hidden = hide(id, key, Math.floor(random() * 2 ** 32));
      const began = performance.now();
      const way = tellRound(plannersWay(hidden));
      longestMs = Math.max(longestMs, performance.now() - began);
      const isHandedBackRight = way.end === "handed-back" && way.isRight;
      if (way.end === "found" || isHandedBackRight) found++;
      if (way.end === "given-up") endless++;
      if (way.isRight) right++;
      if (way.openedHot.length > 0 || way.hasBoiled || way.isUnlooked) risked++;
      cents += way.cents;
    }
    figures.push({
      name: `${name}: found by the planner`,
      measured: (100 * found) / ROUNDS,
      unit: "%",
      wanted: id === 1 ? 99 : 85,
      atLeast: true,
      from: `${right} of ${ROUNDS} without a repair in vain, ${(cents / ROUNDS / 100).toFixed(0)} a car, seed ${SEED}`,
    });
  }
  const all = ROUNDS * LEVELS.length;
  return [
    ...figures,
    {
      name: "rounds in which the planner opened hot, boiled, or ran unlooked at",
      measured: risked,
      unit: "",
      wanted: 0.5,
      from: `${all} rounds`,
    },
    {
      name: "rounds it gave up",
      measured: (100 * endless) / all,
      unit: "%",
      wanted: 2,
      from: `${endless} of ${all}`,
    },
    { name: "the longest round", measured: longestMs, unit: "ms", wanted: 5000, from: "in a worker" },
  ];
}
