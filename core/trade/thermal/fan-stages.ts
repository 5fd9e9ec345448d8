import type { CoolingCard } from "../car/index.ts";

/** One speed of the fan: where its sensor starts and stops it, and the air that it draws through the core, kg/s. */
export interface FanStage {
  onC: number;
  offC: number;
  airKgS: number;
}

/** Air of the first stage and of all together, kg/s: what a usual fan still moves against the heat before a standing car. */
const STAGE_AIR_KG_S = [0.25, 0.5];
/** Where a card says no stop, so many degrees below the start. */
const USUAL_SWING_C = 6;
/** A clutch on the belt names no start: it takes hold so far above where the thermostat begins to open. */
const CLUTCH_ABOVE_C = 12;
const USUAL_OPENS_C = 87;

/** The stages of a card's fan, with the air of a usual one of its size: `size` 1 is a car of 8.5 litres. */
export function stagesOf(
  { circuit, thermostatOpensC, fanOnC, fanOffC }: CoolingCard,
  size: number,
): FanStage[] {
  const isClutch = circuit === "viscous" && fanOnC.length === 0;
  const starts = isClutch ? [(thermostatOpensC ?? USUAL_OPENS_C) + CLUTCH_ABOVE_C] : fanOnC;
  return starts.map((onC, stage) => ({
    onC,
    offC: fanOffC[stage] ?? onC - USUAL_SWING_C,
    airKgS: (STAGE_AIR_KG_S[stage] ?? 0.5) * size,
  }));
}
