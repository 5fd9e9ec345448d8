import type { LogOfVehicle, VehicleHealth } from "../../../server/subjects/vehicles/read-health.ts";

/** The good log that another is held against where nobody chose: the first since the radiator that is in it was fitted, else of the one before. */
export function goodFor(
  log: LogOfVehicle,
  { logs, radiatorAt = "" }: VehicleHealth,
): LogOfVehicle | undefined {
  const sound = logs.filter((each) => each.isSound && each.logId !== log.logId && each.at < log.at);
  return sound.find(({ at }) => at >= radiatorAt) ?? sound[0];
}
