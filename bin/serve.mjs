#!/usr/bin/env node
// Serves the production build: node bin/serve.mjs [--processes N]. Each of several processes serves all there is.
import "./lib/production.mjs";
import cluster from "node:cluster";
import { parseArgs } from "node:util";
import { Trouble } from "./lib/say.mjs";
import { readSettings } from "./lib/settings.mjs";
import { joinFigures, tellFigures } from "./serving/figures.mjs";
import { serveHere } from "./serving/one-process.mjs";
import { serveByMany } from "./serving/processes.mjs";

/** What can't be is said in a sentence, and nothing is served. */
function settingsOrEnd() {
  try {
    const { APP_DATABASE_URL, DATABASE_URL } = process.env;
    if (!APP_DATABASE_URL && !DATABASE_URL)
      throw new Trouble(
        "There is no database: APP_DATABASE_URL says where it is. For one beside the program: npm run shop",
      );
    const { values } = parseArgs({ options: { processes: { type: "string" } } });
    return readSettings({ ...process.env, ...(values.processes && { PROCESSES: values.processes }) });
  } catch (error) {
    process.stderr.write(`${error.message}\n`);
    process.exit(1);
  }
}

const { processes, metricsPort, ...settings } = settingsOrEnd();
if (metricsPort && cluster.isPrimary) tellFigures(metricsPort, { together: processes > 1 });
if (cluster.isWorker) {
  joinFigures();
  // Whoever started it is gone before it was up.
  cluster.worker?.on("error", () => process.exit(1));
}
if (processes > 1 && cluster.isPrimary) serveByMany(processes);
else await serveHere(settings);
