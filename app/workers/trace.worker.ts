import { expose } from "comlink";
import { judgeLog } from "../job/prove/judge-log.ts";

const worker = { judgeLog };
export type TraceWorker = typeof worker;

expose(worker);
