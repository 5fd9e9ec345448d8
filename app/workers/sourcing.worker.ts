import { expose } from "comlink";
import { weigh } from "../../core/sourcing/index.ts";

const worker = { weigh };
export type SourcingWorker = typeof worker;

expose(worker);
