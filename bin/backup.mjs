#!/usr/bin/env node
// Backs up the shop's database, restores the backup beside it and compares: npm run backup [-- --to FOLDER]
import { join, resolve } from "node:path";
import { parseArgs } from "node:util";
import { databaseOf, runBackup } from "./lib/backups.mjs";
import { ensurePackages } from "./lib/packages.mjs";
import { LOCAL } from "./lib/paths.mjs";
import { stopAll } from "./lib/processes.mjs";
import { run, say } from "./lib/say.mjs";

await run(async () => {
  const { values } = parseArgs({
    options: { to: { type: "string" }, of: { type: "string", default: "shop" } },
  });
  const folder = resolve(values.to ?? process.env.BACKUP_TO ?? join(LOCAL, "backups"));
  try {
    await ensurePackages();
    const { file, bytes, rows, removed } = await runBackup(await databaseOf(values.of), "take", folder);
    say(
      `${file}: ${(bytes / 1e6).toFixed(1)} MB, ${rows} rows, restored and the same.${removed.length > 0 ? ` ${removed.length} older taken away.` : ""}`,
    );
  } finally {
    await stopAll();
  }
});
