import { spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Figure } from "./measure.ts";

/** Every statistical test of the core over its whole samples: the same files as in `npm test`, and the same bounds. */
export async function benchSamples(): Promise<Figure[]> {
  const folder = mkdtempSync(join(tmpdir(), "samples-"));
  const report = join(folder, "core.json");
  spawnSync("npx", ["vitest", "run", "--project=core", "--reporter=json", `--outputFile=${report}`], {
    env: { ...process.env, SAMPLES: "whole" },
    stdio: "ignore",
  });
  const { numFailedTests, numFailedTestSuites, numPassedTests } = JSON.parse(readFileSync(report, "utf8"));
  rmSync(folder, { recursive: true });
  return [
    {
      name: "core's tests that miss a bound over whole samples",
      // A file that could not be read has no failed test, and proves nothing.
      measured: Math.max(numFailedTests, numFailedTestSuites),
      unit: "",
      wanted: 1,
      from: `${numPassedTests} passed`,
    },
  ];
}
