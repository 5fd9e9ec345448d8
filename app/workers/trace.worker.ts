import { expose } from "comlink";
import { compareLogs } from "./compare-logs.ts";
import { coolReadings } from "./cool-readings.ts";
import { judgeLog } from "./judge-log.ts";

const worker = { judgeLog, compareLogs, coolReadings };
export type TraceWorker = typeof worker;

expose(worker);
