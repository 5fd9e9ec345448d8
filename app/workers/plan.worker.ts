import { expose } from "comlink";
import { beliefOf, planOf } from "../../core/stages/find/index.ts";
import { isHere } from "./thread.ts";

// Thinking for the first time takes five times as long: better now, while nobody waits for it.
planOf(beliefOf([], "switch-1").question);

const worker = { planOf, isHere };
export type PlanWorker = typeof worker;

expose(worker);
