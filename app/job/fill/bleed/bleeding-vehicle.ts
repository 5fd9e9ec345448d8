import type { BleedingVehicle } from "../../../../core/bleed/index.ts";
import type { JobPage } from "../../../../server/jobs/read-job.ts";

/** What a vehicle's card says of how it is bled; nothing without one. */
export const bleedingVehicle = (card: JobPage["card"]): BleedingVehicle =>
  card
    ? {
        fillPoint: card.fillPoint,
        bleedPoints: card.bleedPoints,
        fanOnC: card.fanOnC,
        fraction: card.targetFraction,
      }
    : {};
