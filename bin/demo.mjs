#!/usr/bin/env node
// The whole of Warm Ledger with the made-up shop, from nothing to an address: npm run demo [-- --fresh]
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { ensureBuild } from "./lib/build.mjs";
import { dropCluster, startCluster } from "./lib/cluster.mjs";
import { ensurePackages } from "./lib/packages.mjs";
import { LOCAL, ROOT } from "./lib/paths.mjs";
import { choosePort } from "./lib/ports.mjs";
import { finish, isStopping, stopAll } from "./lib/processes.mjs";
import { run, say, Trouble } from "./lib/say.mjs";
import { keepRunning } from "./lib/watched.mjs";
import { serveWeb } from "./lib/web.mjs";

const DEVICE = join(LOCAL, "demo-device");

async function seed(DATABASE_URL) {
  const DEMO_DEVICE = existsSync(DEVICE) ? readFileSync(DEVICE, "utf8").trim() : "";
  const env = { ...process.env, DATABASE_URL, DEMO_DEVICE };
  const { output } = await finish(process.execPath, ["--import", "tsx", "demo/command.ts"], {
    cwd: ROOT,
    env,
  }).catch((error) => {
    const given = process.env.DATABASE_URL
      ? "\nThe database is the one that DATABASE_URL names: is it there, and may its user make roles and tables?"
      : "";
    const said = error.message.split("\n").find((line) => line.startsWith("The database answered"));
    throw new Trouble(`${said ?? error.message}${given}`);
  });
  const line = output.split("\n").findLast((each) => each.startsWith("{"));
  if (!line) throw new Trouble(`The demo data could not be laid in:\n${output.slice(-800)}`);
  const demo = JSON.parse(line);
  mkdirSync(LOCAL, { recursive: true });
  writeFileSync(DEVICE, demo.device, { mode: 0o600 });
  return demo;
}

await run(async () => {
  const isFresh = process.argv.includes("--fresh");
  const stranger = process.argv.slice(2).find((word) => word !== "--fresh");
  if (stranger)
    throw new Trouble(
      `“${stranger}” is not known here. The one option is --fresh, which starts the demo over.`,
    );
  try {
    await ensurePackages();
    const port = await choosePort();
    if (isFresh && process.env.DATABASE_URL) {
      throw new Trouble(
        "--fresh would empty the database that DATABASE_URL names; that is yours to do. Drop its tables, or unset DATABASE_URL.",
      );
    }
    if (isFresh) {
      await dropCluster("demo");
      rmSync(DEVICE, { force: true });
    }
    const [owner] = await Promise.all([process.env.DATABASE_URL ?? startCluster("demo"), ensureBuild()]);
    const demo = await seed(owner);
    void keepRunning("The adapter", process.execPath, ["--import", "tsx", "bin/adapter.ts"], {
      cwd: ROOT,
      stdio: ["ignore", "ignore", "inherit", "ipc"],
      // Where its port is another's, the demo goes on without it.
      isUp: () => false,
    });
    const code = await serveWeb(
      { APP_DATABASE_URL: demo.appUrl, PORT: String(port), HOST: process.env.HOST ?? "127.0.0.1" },
      () => {
        const width = Math.max(...demo.people.map((person) => person.name.length));
        say(
          `\n${demo.shop}${demo.seeded ? " was laid in new" : ", as you left it"}. Open this once; it makes the browser the shop's own:\n`,
        );
        say(`  http://127.0.0.1:${port}/this-device/${demo.device}\n`);
        for (const person of demo.people)
          say(
            `  ${person.name.padEnd(width)}  ${person.role.padEnd(10)}  PIN ${person.pin}  password ${person.password}`,
          );
        say(
          `\nAfterwards, or elsewhere: http://127.0.0.1:${port} (shop ${demo.slug}). Ctrl-C stops everything.`,
        );
      },
    );
    if (!isStopping() && code !== 0) process.exitCode = 1;
  } finally {
    await stopAll();
  }
});
