#!/usr/bin/env node
// Puts a backup in the place of the shop's database: npm run restore -- FILE [--yes]. Says first what it takes the place of.
import { existsSync } from "node:fs";
import { resolve } from "node:path";
import { parseArgs } from "node:util";
import { databaseOf, runBackup } from "./lib/backups.mjs";
import { ensurePackages } from "./lib/packages.mjs";
import { stopAll } from "./lib/processes.mjs";
import { run, say, Trouble } from "./lib/say.mjs";

const { values, positionals } = parseArgs({
  options: { yes: { type: "boolean", default: false }, of: { type: "string", default: "shop" } },
  allowPositionals: true,
});

await run(async () => {
  const [given] = positionals;
  if (!given) throw new Trouble("Which backup? npm run restore -- FILE");
  const file = resolve(given);
  if (!existsSync(file)) throw new Trouble(`There is no ${file}.`);
  try {
    await ensurePackages();
    const database = await databaseOf(values.of);
    const { shops = 0, jobs = 0, entries = 0, newest } = await runBackup(database, "what");
    const stands = `${shops} shops, ${jobs} jobs and ${entries} lines${newest ? `, the newest of ${newest.slice(0, 16)}` : ""}`;
    if (entries + jobs + shops > 0 && !values.yes)
      throw new Trouble(
        `There stand ${stands}. The backup would take their place; they are kept beside it. To do so, with the server stopped: npm run restore -- ${given} --yes`,
      );
    const { before } = await runBackup(database, "restore", file);
    const after = await runBackup(database, "what");
    say(
      `Restored: ${after.shops} shops, ${after.jobs} jobs, ${after.entries} lines${after.newest ? `, the newest of ${after.newest.slice(0, 16)}` : ""}. What stood there before is kept as database “${before}”.`,
    );
  } finally {
    await stopAll();
  }
});
