import { type CoolDownGiven, coolDown } from "./cool-down.ts";
import { fourBodies, readings, type SensorKind } from "./four-bodies.fixture.ts";

export interface WatchedCar {
  isUnsafe: boolean;
  saidAfterS?: number;
  readAfterS?: number;
  /** Of the first reading that is at the target even by a whole-degree sensor's error: no rule can say so sooner. */
  lowAfterS?: number;
  what?: string;
}

const NEAR_C = 52;
const SURELY_C = 48;

/** One car of four bodies, read as somebody would, with what was said of it on the way. */
export function watchCar(
  kind: SensorKind,
  random: () => number,
  { knowsAir = true, knowsRun = true } = {},
): WatchedCar {
  const car = fourBodies(random, kind === "driven again");
  const watched: WatchedCar = { isUnsafe: false };
  const known: { atS: number; coolantC: number; where?: "engine" | "radiator" | "surface" | "unknown" }[] =
    [];
  for (const { trueS, trueC, ...reading } of readings(car, kind, random)) {
    known.push(reading);
    const [again] = car.ranS;
    if (again && trueS >= again[0] && trueS < again[1]) continue;
    if (reading.coolantC > NEAR_C) continue;
    const ranUntilS = again && trueS >= again[1] ? again[1] : 0;
    const head: CoolDownGiven = knowsRun
      ? { ranUntilS, hottestC: ranUntilS > 0 ? car.engineAt(ranUntilS) : car.stopC }
      : {};
    const { safeNow } = coolDown(known, {
      ...(knowsAir ? { ambientC: car.airC } : {}),
      ...head,
      nowS: trueS,
    });
    if (trueS >= car.safeFromS) {
      watched.readAfterS ??= trueS - car.safeFromS;
      if (reading.coolantC <= SURELY_C) watched.lowAfterS ??= trueS - car.safeFromS;
    }
    if (safeNow !== "pass") continue;
    if (trueC > 50) {
      watched.isUnsafe = true;
      watched.what = `${known.map(({ atS, coolantC }) => `${atS}:${coolantC}`).join(" ")}, true ${trueC.toFixed(1)}, air ${car.airC.toFixed(1)}, stopped ${car.stopC.toFixed(0)}`;
    } else if (trueS >= car.safeFromS) {
      watched.saidAfterS = trueS - car.safeFromS;
      break;
    }
  }
  return watched;
}
