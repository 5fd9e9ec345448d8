import { expose } from "comlink";
import { coolReadings } from "../job/cap/cool-readings.ts";
import { compareLogs } from "../job/prove/compare-logs.ts";
import { judgeLog } from "../job/prove/judge-log.ts";

const worker = { judgeLog, compareLogs, coolReadings };
export type TraceWorker = typeof worker;

expose(worker);
