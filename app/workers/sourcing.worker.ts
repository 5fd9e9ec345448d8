import { expose } from "comlink";
import { weigh } from "../../core/trade/sourcing/index.ts";

const worker = { weigh };
export type SourcingWorker = typeof worker;

expose(worker);
