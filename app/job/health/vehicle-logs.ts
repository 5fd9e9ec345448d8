import { useEffect } from "react";
import { useFetcher } from "react-router";
import { factsOf, WarmUpLog } from "../../../core/book/facts/index.ts";
import type { LogOfVehicle, VehicleHealth } from "../../../server/subjects/vehicles/read-health.ts";
import type { GivenLog } from "../../workers/read-health.ts";
import { logText } from "../prove/log-text.ts";
import { useJob } from "../stage/context.ts";

/** The logs of the job's vehicle and what was read of it, asked again as a log more is booked; nothing until they have come. */
export function useVehicleLogs(): { of: VehicleHealth | undefined; isComing: boolean } {
  const { page, entries } = useJob();
  const { load, data, state } = useFetcher<VehicleHealth>();
  const jobId = page.job.id;
  const booked = factsOf(entries, WarmUpLog).length;
  // biome-ignore lint/correctness/useExhaustiveDependencies: asked again as a log more is booked
  useEffect(() => void load(`/jobs/${jobId}/health`), [load, jobId, booked]);
  return { of: data, isComing: data === undefined && state !== "idle" };
}

/** A log with its text, as a worker wants it; nothing where it can't be had. */
export async function givenLog({ jobId, logId, restedH }: LogOfVehicle): Promise<GivenLog | undefined> {
  const text = await logText(jobId, logId);
  return text === undefined ? undefined : { text, ...(restedH !== undefined && { restedH }) };
}

/** The good log that another is held against where nobody chose: the first since the radiator that is in it was fitted, else of the one before. */
export function goodFor(
  log: LogOfVehicle,
  { logs, radiatorAt = "" }: VehicleHealth,
): LogOfVehicle | undefined {
  const sound = logs.filter((each) => each.isSound && each.logId !== log.logId && each.at < log.at);
  return sound.find(({ at }) => at >= radiatorAt) ?? sound[0];
}
