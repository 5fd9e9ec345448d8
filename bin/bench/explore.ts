import { spawn } from "node:child_process";
import { randomInt } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { stripVTControlCharacters } from "node:util";
import { ROOT } from "../lib/paths.mjs";
import type { Figure } from "./measure.ts";

const ROOMS = ["core", "app", "server", "demo"];
const USUAL_MINUTES = 30;
const MINUTE_MS = 60_000;

const withProperties = (): string[] =>
  ROOMS.flatMap((room) =>
    readdirSync(join(ROOT, room), { recursive: true, encoding: "utf8" })
      .filter((name) => name.endsWith(".test.ts"))
      .map((name) => join(room, name))
      .filter((path) => readFileSync(join(ROOT, path), "utf8").includes('"fast-check"')),
  );

/** One run of every file with properties in it, all of them from this seed; what failed, as it was printed. */
function tryOnce(files: readonly string[], seed: number): Promise<string> {
  return new Promise((resolve) => {
    const child = spawn(join(ROOT, "node_modules/.bin/vitest"), ["run", "--reporter=dot", ...files], {
      cwd: ROOT,
      env: { ...process.env, PROPERTY_SEED: String(seed) },
    });
    const output: Buffer[] = [];
    for (const stream of [child.stdout, child.stderr]) stream.on("data", (part: Buffer) => output.push(part));
    child.on("close", (code) =>
      resolve(code === 0 ? "" : stripVTControlCharacters(Buffer.concat(output).toString())),
    );
  });
}

/** Every property with seeds of its own, for half an hour or as many minutes as are asked: `npm run bench -- explore 30`. */
export async function benchExplore(minutes = String(USUAL_MINUTES)): Promise<Figure[]> {
  const files = withProperties();
  const until = Date.now() + Number(minutes) * MINUTE_MS;
  let rounds = 0;
  let found = 0;
  do {
    const seed = randomInt(2 ** 31);
    const failed = await tryOnce(files, seed);
    rounds++;
    if (!failed) continue;
    found++;
    process.stdout.write(`\nPROPERTY_SEED=${seed}\n${failed.slice(Math.max(0, failed.indexOf("FAIL")))}\n`);
  } while (Date.now() < until);
  return [
    {
      name: "rounds of all properties in which one didn't hold",
      measured: found,
      unit: "",
      wanted: 1,
      from: `${rounds} rounds of ${files.length} files`,
    },
  ];
}
