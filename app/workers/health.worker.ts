import { expose } from "comlink";
import { readHealth } from "./read-health.ts";
import { isHere } from "./thread.ts";

const worker = { readHealth, isHere };
export type HealthWorker = typeof worker;

expose(worker);
