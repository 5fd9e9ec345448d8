import { expose } from "comlink";
import { weigh } from "../../core/trade/sourcing/index.ts";
import { isHere } from "./thread.ts";

const worker = { weigh, isHere };
export type SourcingWorker = typeof worker;

expose(worker);
