import type { FindPlan, PlanQuestion } from "../../../core/stages/find/index.ts";
import { later } from "../../ui/later.ts";
import type { PlanWorker } from "../../workers/plan.worker.ts";
import { openThread } from "../../workers/thread.ts";

const plannerHere = later(() => import("./planner-here.ts"));

export interface Planner {
  ask: (question: PlanQuestion) => Promise<FindPlan>;
  close: () => void;
}

/** Plans in a worker, or here where there is none. */
export function openPlanner(): Planner {
  const thread = openThread<PlanWorker>(
    () => new Worker(new URL("../../workers/plan.worker.ts", import.meta.url), { type: "module" }),
    plannerHere.fetch,
  );
  return { ask: (question) => thread.ask(({ planOf }) => planOf(question)), close: thread.close };
}
