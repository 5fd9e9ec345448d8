import { expose } from "comlink";
import { compareLogs } from "../job/prove/compare-logs.ts";
import { judgeLog } from "../job/prove/judge-log.ts";

const worker = { judgeLog, compareLogs };
export type TraceWorker = typeof worker;

expose(worker);
