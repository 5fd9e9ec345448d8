import type { BleedingVehicle } from "../../../../core/bleed/index.ts";
import type { JobPage } from "../../../../server/jobs/read-job.ts";

/** Nobody has said how high the shop lies: with a cap off a limit that holds on a pass is right below it too. */
const HIGH_SHOP_M = 1000;

/** What a vehicle's card says of how it is bled, in a shop at this altitude; nothing without one. */
export const bleedingVehicle = (card: JobPage["card"], shopM?: number | null): BleedingVehicle => {
  const altitudeM = shopM ?? HIGH_SHOP_M;
  return card
    ? {
        fillPoint: card.fillPoint,
        bleedPoints: card.bleedPoints,
        fanOnC: card.fanOnC,
        fraction: card.targetFraction,
        altitudeM,
      }
    : { altitudeM };
};
