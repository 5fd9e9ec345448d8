import { expose } from "comlink";
import { explainLog, readHealth } from "./read-health.ts";
import { isHere } from "./thread.ts";

const worker = { readHealth, explainLog, isHere };
export type HealthWorker = typeof worker;

expose(worker);
