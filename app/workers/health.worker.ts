import { expose } from "comlink";
import { explainLog, readHealth, runDays } from "./read-health.ts";
import { isHere } from "./thread.ts";

const worker = { readHealth, explainLog, runDays, isHere };
export type HealthWorker = typeof worker;

expose(worker);
