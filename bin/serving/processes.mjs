import cluster from "node:cluster";
import { nextPause } from "../lib/pauses.mjs";

/**
 * Serves in several processes that share one port, each started again where it falls. Stops when every one of them has
 * finished what was under way.
 */
export function serveByMany(many) {
  // Each takes its own connections: one that the primary has handed to a process that dies would hang until its browser gives up.
  cluster.schedulingPolicy = cluster.SCHED_NONE;
  let isStopping = false;
  let isReady = false;
  function launch(pauseMs) {
    const worker = cluster.fork();
    const from = Date.now();
    worker.on("message", (said) => {
      if (said !== "ready" || isReady) return;
      isReady = true;
      process.send?.("ready");
      if (!process.send) process.stdout.write(`Serving in ${many} processes\n`);
    });
    worker.on("exit", (code, signal) => {
      const isLast = Object.keys(cluster.workers ?? {}).length === 0;
      if (isStopping) return isLast ? process.exit(0) : undefined;
      // What can't even start once won't the next time.
      if (!isReady) process.exit(code || 1);
      const pause = nextPause(pauseMs, Date.now() - from);
      process.stderr.write(
        `One of the processes ended by itself (${signal ?? code}); it is started again in ${pause / 1000} s.\n`,
      );
      setTimeout(() => isStopping || launch(pause), pause);
    });
  }
  function stop() {
    if (isStopping) return;
    isStopping = true;
    const workers = Object.values(cluster.workers ?? {});
    if (workers.length === 0) process.exit(0);
    for (const worker of workers) worker?.process.kill("SIGTERM");
  }
  for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, stop);
  process.on("disconnect", stop);
  for (let one = 0; one < many; one++) launch(0);
}
