import type { SourcingWorker } from "./sourcing.worker.ts";
import { openThread } from "./thread.ts";

/** Weighs options for a part. */
export const openOptions = () =>
  openThread<SourcingWorker>(
    () => new Worker(new URL("./sourcing.worker.ts", import.meta.url), { type: "module" }),
    () => import("../../core/trade/sourcing/index.ts"),
  );
