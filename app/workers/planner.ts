import { later } from "../ui/later.ts";
import type { PlanWorker } from "./plan.worker.ts";
import { openThread } from "./thread.ts";

const here = later(() => import("./planner-here.ts"));

/** Plans the next tests. */
export const openPlanner = () =>
  openThread<PlanWorker>(
    () => new Worker(new URL("./plan.worker.ts", import.meta.url), { type: "module" }),
    here.fetch,
  );
