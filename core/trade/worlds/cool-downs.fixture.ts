import { type CoolDownGiven, type CoolReading, coolDown, type PlaceRead } from "../bleed/index.ts";
import { gathered, rowsOf, type WorldFile } from "./worlds.fixture.ts";

export interface Watched {
  car: string;
  kind: string;
  /** Said to be safe with the coolant over 50 °C. */
  isUnsafe: boolean;
  /** Seconds from when it was safe until that was said; absent where it never was. */
  saidAfterS?: number;
  /** Of the first reading after it was safe, the earliest at which anybody could have said so. */
  readAfterS?: number;
}

/** Every reading of every car given to `coolDown` as it came, with the air and when the engine ran where these are given. */
export function watchedCars(
  fileOf: WorldFile,
  isAsked: (car: number) => boolean,
  given: { air?: boolean; head?: boolean } = { air: true, head: true },
): Watched[] {
  const readings = gathered(rowsOf(fileOf("cool-down-readings")), "car");
  return rowsOf(fileOf("cool-down-cars"))
    .filter(({ car }) => isAsked(Number(car)))
    .map(({ car = "", kind = "", ambient_c, hottest_c, safe_from_s }) => {
      const safeFromS = Number(safe_from_s);
      const watched: Watched = { car, kind, isUnsafe: false };
      const known: CoolReading[] = [];
      let head: CoolDownGiven = { ranUntilS: 0, hottestC: Number(hottest_c) };
      for (const row of readings.get(car) ?? []) {
        const trueS = Number(row.true_at_s);
        const engineC = Number(row.true_engine_c);
        if (row.where?.startsWith("engine s")) {
          head = { ranUntilS: trueS, ...(row.where === "engine stops" ? { hottestC: engineC } : {}) };
          continue;
        }
        known.push({
          atS: Number(row.said_at_s),
          coolantC: Number(row.read_c),
          where: row.where as PlaceRead,
        });
        // Only a figure near the target can be called safe.
        if (Number(row.read_c) > 52) continue;
        const { safeNow } = coolDown(known, {
          ...(given.air ? { ambientC: Number(ambient_c) } : {}),
          ...(given.head ? head : {}),
          nowS: trueS,
        });
        if (trueS >= safeFromS) watched.readAfterS ??= trueS - safeFromS;
        if (safeNow !== "pass") continue;
        if (engineC > 50) watched.isUnsafe = true;
        else if (trueS >= safeFromS) watched.saidAfterS ??= trueS - safeFromS;
      }
      return watched;
    });
}
