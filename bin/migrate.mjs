#!/usr/bin/env node
// Brings the database that DATABASE_URL names up to date, or back one step with `down`: npm run migrate
import { ensureBuild } from "./lib/build.mjs";
import { ensurePackages } from "./lib/packages.mjs";
import { ROOT } from "./lib/paths.mjs";
import { finish } from "./lib/processes.mjs";
import { commandOf } from "./lib/programs.mjs";
import { run } from "./lib/say.mjs";

await run(async () => {
  await ensurePackages();
  await ensureBuild();
  const { code } = await finish(process.execPath, [commandOf("migrate"), ...process.argv.slice(2)], {
    quiet: false,
    allowFail: true,
    cwd: ROOT,
    env: process.env,
  });
  process.exitCode = code;
});
