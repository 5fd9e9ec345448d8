import { wrap } from "comlink";
import type { FindPlan, PlanQuestion } from "../../../core/job/find/index.ts";
import { later } from "../../ui/later.ts";
import type { PlanWorker } from "../../workers/plan.worker.ts";

const plannerHere = later(() => import("./planner-here.ts"));

/** A worker that hasn't answered by then is not coming: its script could not be had, or the tablet starves it. */
const PATIENCE_MS = 2000;

export interface Planner {
  ask: (question: PlanQuestion) => Promise<FindPlan>;
  close: () => void;
}

/** No worker at all where the browser can't start one: an old one without modules in workers throws here. */
function openThread(): Worker | undefined {
  try {
    return new Worker(new URL("../../workers/plan.worker.ts", import.meta.url), { type: "module" });
  } catch {
    return undefined;
  }
}

/** Plans in a worker; where there is none to be had, here, so that a dead network takes nobody's next test away. */
export function openPlanner(): Planner {
  const thread = openThread();
  const planHere = async (question: PlanQuestion) => (await plannerHere.fetch()).planOf(question);
  if (!thread) return { ask: planHere, close: () => undefined };
  const remote = wrap<PlanWorker>(thread);
  const broken = new Promise<undefined>((tell) =>
    thread.addEventListener("error", () => tell(undefined), { once: true }),
  );
  const ask = async (question: PlanQuestion) => {
    const late = new Promise<undefined>((tell) => setTimeout(() => tell(undefined), PATIENCE_MS));
    return (await Promise.race([remote.planOf(question), broken, late])) ?? (await planHere(question));
  };
  return { ask, close: () => thread.terminate() };
}
