import { later } from "../ui/later.ts";
import type { PracticeWorker } from "./practice.worker.ts";
import { openThread } from "./thread.ts";

const here = later(() => import("./practice-here.ts"));

/** Goes through a round of practice as the planner would. */
export const openPractice = () =>
  openThread<PracticeWorker>(
    () => new Worker(new URL("./practice.worker.ts", import.meta.url), { type: "module" }),
    here.fetch,
  );
