#!/usr/bin/env node
// Runs a command with DATABASE_URL pointing at a throwaway cluster of the project's own, or at the one already given.
import { startCluster } from "./lib/cluster.mjs";
import { ensurePackages } from "./lib/packages.mjs";
import { ROOT } from "./lib/paths.mjs";
import { start, stopAll } from "./lib/processes.mjs";
import { run } from "./lib/say.mjs";

await run(async () => {
  const [command, ...args] = process.argv.slice(2);
  try {
    await ensurePackages();
    const DATABASE_URL = process.env.DATABASE_URL ?? (await startCluster("test", { fast: true }));
    const path = `${ROOT}/node_modules/.bin:${process.env.PATH}`;
    const child = start(command, args, {
      cwd: ROOT,
      stdio: "inherit",
      env: { ...process.env, DATABASE_URL, PATH: path },
    });
    process.exitCode = await new Promise((resolve) => child.on("exit", (code) => resolve(code ?? 1)));
  } finally {
    await stopAll();
  }
});
