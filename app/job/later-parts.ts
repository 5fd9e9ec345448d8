import { later } from "../ui/later.ts";

/** What a job's pages are drawn without, and fetch once they are: each a file of its own. */
export const lineReader = later(() => import("./book/line-reader.ts"));
export const beliefPicture = later(() => import("./find/BeliefPicture.tsx"));
export const sensorInstrument = later(() => import("./find/instruments/Sensor.tsx"));
export const plannerHere = later(() => import("./find/planner-here.ts"));
export const warmUpChart = later(() => import("./prove/WarmUpChart.tsx"));

/** Fetches them one after another, so that a network that dies then takes none of them. */
export async function fetchParts(): Promise<void> {
  for (const part of [lineReader, warmUpChart, beliefPicture, sensorInstrument, plannerHere])
    await part.fetch().catch(() => undefined);
}
