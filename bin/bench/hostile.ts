import { spawn } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { ensureBuild } from "../lib/build.mjs";
import { ROOT } from "../lib/paths.mjs";
import type { Figure } from "./measure.ts";

const WANTED_MS = 1000;

/** Every hostile request of the tests, none of which may take a second on a machine that does nothing else. */
export async function benchHostile(): Promise<Figure[]> {
  await ensureBuild();
  const folder = mkdtempSync(join(tmpdir(), "hostile-"));
  const told = join(folder, "slowest.json");
  try {
    const code = await new Promise<number>((resolve) => {
      const child = spawn(
        join(ROOT, "node_modules/.bin/vitest"),
        ["run", "--project=e2e", "e2e/hostile.test.ts", "--reporter=dot"],
        { cwd: ROOT, stdio: "inherit", env: { ...process.env, SLOWEST_ANSWER_FILE: told } },
      );
      child.on("close", (status) => resolve(status ?? 1));
    });
    if (code !== 0) throw new Error("a hostile request met a fault");
    const { ms, what, requests } = JSON.parse(readFileSync(told, "utf8")) as {
      ms: number;
      what: string;
      requests: number;
    };
    const name = `${requests} hostile requests and no fault, the longest answer`;
    return [{ name, measured: ms, unit: "ms", wanted: WANTED_MS, from: what.slice(0, 80) }];
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
