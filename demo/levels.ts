import { seededRandom } from "../core/kernel/chance/index.ts";
import { demoId } from "./story.ts";

const MS_PER_DAY = 86_400_000;

interface Leak {
  vehicle: string;
  perDayL: number;
  /** Days before today on which somebody looked. */
  looks: readonly number[];
  toppedUpAt?: number;
}

/** Two slow leaks and one that was only feared, as people of the shop have looked at them. */
const LEAKS: readonly Leak[] = [
  {
    vehicle: "drover",
    perDayL: 0.021,
    looks: [41, 34, 27, 20, 13, 6],
    toppedUpAt: 20,
  },
  { vehicle: "mrw-2611", perDayL: 0.019, looks: [24, 18, 12, 5, 1] },
  { vehicle: "finch", perDayL: 0, looks: [76, 62, 48, 34, 20, 6] },
];

export interface DemoLevel {
  id: string;
  vehicle: string;
  at: Date;
  missingL: number;
  toppedUpL: number;
}

/** Levels as they were read to a twentieth of a litre, dated back from `today`. */
export function demoLevels(today: Date): DemoLevel[] {
  return LEAKS.flatMap(({ vehicle, perDayL, looks, toppedUpAt }) => {
    const random = seededRandom(vehicle.length * 71);
    let missingL = 0.1;
    let before = looks[0] ?? 0;
    return looks.map((daysAgo) => {
      missingL += perDayL * (before - daysAgo);
      before = daysAgo;
      const read = Math.round((missingL + 0.16 * (random() - 0.5)) * 20) / 20;
      const toppedUpL = daysAgo === toppedUpAt ? Math.round(missingL * 20) / 20 : 0;
      missingL -= toppedUpL;
      const at = new Date(today.getTime() - daysAgo * MS_PER_DAY);
      at.setUTCHours(7, 30, 0, 0);
      return { id: demoId(`level:${vehicle}:${daysAgo}`), vehicle, at, missingL: read, toppedUpL };
    });
  });
}
