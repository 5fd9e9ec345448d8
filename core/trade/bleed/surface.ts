import type { Head } from "./believed.ts";
import type { CoolDown, CoolReading } from "./cool-reading.ts";
import type { UpperHose } from "./schools.ts";

/** A surface is cooler than what is behind it, and infrared reads bright metal too low. */
export const SURFACE_C = 40;
const APART_S = 600;
export const STOOD_S = 3600;

interface Terms {
  head: Head | undefined;
  upperHose?: UpperHose;
}

/**
 * The slower way for who has no reader for the engine's own sensor: the thermostat's housing by infrared, 40 °C and less twice, ten
 * minutes apart, after an hour's standing, with the upper hose soft and cool to the hand. Nothing where no surface was read.
 */
export function surfaceSays(
  readings: readonly CoolReading[],
  { head, upperHose }: Terms,
): CoolDown | undefined {
  const last = readings.at(-1);
  if (last?.where !== "surface") return undefined;
  const say = (because: string): CoolDown => ({ safeNow: "not-seen", because });
  const read = `${Number(last.coolantC.toFixed(1))} °C by infrared`;
  if (last.coolantC > SURFACE_C)
    return say(
      `${read}: a surface is cooler than what is behind it. ${SURFACE_C} °C and less is wanted, twice.`,
    );
  if (!head || last.atS - head.atS < STOOD_S)
    return say(`${read}. By the surface alone it has to have stood an hour since it ran.`);
  const isTwice = readings.some(
    ({ where, coolantC, atS }) =>
      where === "surface" && coolantC <= SURFACE_C && last.atS - atS >= APART_S && atS >= head.atS,
  );
  const isHotSince = readings.some(
    ({ coolantC, atS }) => last.atS - atS < APART_S && coolantC > SURFACE_C + 2,
  );
  if (!isTwice || isHotSince) return say(`${read}. Once more in ten minutes: it is wanted twice.`);
  if (upperHose !== "soft-and-cool")
    return say(
      upperHose === "hard-or-hot"
        ? `${read}, and the upper hose is hard or hot: it is not safe.`
        : `${read}, twice. Squeeze the upper hose: soft and cool is the second witness.`,
    );
  return {
    safeNow: "pass",
    because: `${read} twice, ten minutes apart, an hour after it ran, and the upper hose is soft and cool. Cloth over it, first notch.`,
  };
}
