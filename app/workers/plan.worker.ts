import { expose } from "comlink";
import { planOf } from "../../core/job/find/index.ts";

const worker = { planOf };
export type PlanWorker = typeof worker;

expose(worker);
