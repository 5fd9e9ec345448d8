import { expose } from "comlink";
import { compareLogs } from "./compare-logs.ts";
import { coolReadings } from "./cool-readings.ts";
import { judgeLog } from "./judge-log.ts";
import { isHere } from "./thread.ts";

const worker = { judgeLog, compareLogs, coolReadings, isHere };
export type TraceWorker = typeof worker;

expose(worker);
