import { existsSync, readdirSync, statSync } from "node:fs";
import { join } from "node:path";
import { ROOT } from "./paths.mjs";
import { finish } from "./processes.mjs";
import { say } from "./say.mjs";

const SOURCES = [
  "app",
  "core",
  "server",
  "public",
  "package-lock.json",
  "vite.config.ts",
  "react-router.config.ts",
  "bin/build.mjs",
  "bin/lib/programs.mjs",
];

function newest(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return readdirSync(path).reduce((latest, name) => Math.max(latest, newest(join(path, name))), 0);
}

/** Makes the production build where there is none or a source is newer than it. */
export async function ensureBuild() {
  // Written last.
  const built = join(ROOT, "build/client/service-worker.js");
  const isStale =
    !existsSync(built) || SOURCES.some((source) => newest(join(ROOT, source)) > statSync(built).mtimeMs);
  if (!isStale) return;
  say("Application: building (some seconds)");
  await finish(process.execPath, [join(ROOT, "bin/build.mjs")], {
    cwd: ROOT,
    env: { ...process.env, NODE_ENV: "production" },
  });
}
