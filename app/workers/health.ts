import { proxy } from "comlink";
import { later } from "../ui/later.ts";
import type { HealthWorker } from "./health.worker.ts";
import { openThread } from "./thread.ts";

const here = later(() => import("./health-here.ts"));

/** Reads the health of a cooling system out of its logs: some seconds of a core. */
export const openHealth = () =>
  openThread<HealthWorker>(
    () => new Worker(new URL("./health.worker.ts", import.meta.url), { type: "module" }),
    here.fetch,
  );

/** What hears of progress, from within a worker. */
export const heardFromWorker = (hear: (share: number) => void) => proxy(hear);
