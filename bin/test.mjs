#!/usr/bin/env node
// Everything that must hold: npm test. Sets up what is missing, runs every check, ends with one summary.
import { mkdirSync, readFileSync, rmSync } from "node:fs";
import { join, relative } from "node:path";
import { stripVTControlCharacters } from "node:util";
import { ensureBuild } from "./lib/build.mjs";
import { startCluster } from "./lib/cluster.mjs";
import { ensureDebian, ensurePackages, findChromium, findPdfToText } from "./lib/packages.mjs";
import { LOCAL, ROOT } from "./lib/paths.mjs";
import { isStopping, start, stopAll } from "./lib/processes.mjs";
import { run, say } from "./lib/say.mjs";

const bin = (name) => join(ROOT, "node_modules/.bin", name);
const results = [];

function runStep(command, args, env) {
  return new Promise((resolve) => {
    const child = start(command, args, { cwd: ROOT, stdio: ["ignore", "inherit", "inherit"], env });
    child.on("error", () => resolve(127));
    child.on("exit", (code) => resolve(code ?? 1));
  });
}

async function step(name, command, args, env = process.env) {
  if (isStopping()) return;
  say(`\n== ${name}`);
  const from = Date.now();
  const code = await runStep(command, args, env);
  results.push({
    name,
    isGreen: code === 0,
    seconds: (Date.now() - from) / 1000,
    passed: code === 0 ? 1 : 0,
    failed: code === 0 ? 0 : 1,
  });
}

/** Every failed test in a line or two: who reads only a run's end needs their names there. */
function failuresOf(files) {
  return files.flatMap((file) => {
    const failed = file.assertionResults.filter((each) => each.status === "failed");
    const told = failed.map((each) => ({ name: each.fullName, message: each.failureMessages.join(" ") }));
    if (file.status === "failed" && told.length === 0)
      told.push({ name: "the whole file", message: file.message });
    return told.map(
      ({ name, message }) => `${relative(ROOT, file.name)}: ${name}\n      ${shortOf(message)}`,
    );
  });
}

/** A message's first words and where in the tests it was. */
function shortOf(message) {
  const plain = stripVTControlCharacters(message ?? "");
  const at = plain.match(/\b(?:e2e|server|core|app|demo)\/[\w./-]+\.test\.ts:\d+/g)?.[0] ?? "";
  return `${plain.replace(/\s+/g, " ").slice(0, 400)} ${at}`.trim();
}

/** A Vitest project, its tests counted from the report it writes. */
async function tests(name, project, env) {
  const report = join(LOCAL, "reports", `${project}.json`);
  rmSync(report, { force: true });
  await step(
    name,
    bin("vitest"),
    ["run", "--project", project, "--reporter=dot", "--reporter=json", `--outputFile.json=${report}`],
    env,
  );
  const last = results.at(-1);
  try {
    const { numPassedTests, numFailedTests, testResults } = JSON.parse(readFileSync(report, "utf8"));
    Object.assign(last, {
      passed: numPassedTests,
      failed: Math.max(numFailedTests, last.isGreen ? 0 : 1),
      named: failuresOf(testResults),
    });
  } catch {
    Object.assign(last, { isGreen: false, passed: 0, failed: 1 });
  }
}

await run(async () => {
  const from = Date.now();
  try {
    await ensurePackages();
    mkdirSync(join(LOCAL, "reports"), { recursive: true });
    const CHROMIUM = await ensureDebian("Chromium", ["chromium"], findChromium);
    await ensureDebian("pdftotext", ["poppler-utils"], findPdfToText);
    const DATABASE_URL = process.env.DATABASE_URL ?? (await startCluster("test", { fast: true }));
    await step("lint", bin("biome"), ["check", "."]);
    await step("types: routes", bin("react-router"), ["typegen"]);
    await step("types", bin("tsc"), ["--noEmit"]);
    await step("layers", bin("depcruise"), [
      "--config",
      ".dependency-cruiser.cjs",
      "core",
      "server",
      "app",
      "demo",
      "stand-ins",
    ]);
    await tests("core", "core");
    await tests("app", "app");
    const env = { ...process.env, DATABASE_URL, CHROMIUM };
    await tests("server and demo on PostgreSQL", "server", env);
    await ensureBuild();
    await tests("browser", "e2e", env);
    await tests("hostility", "alone", env);
  } finally {
    if (results.length > 0) {
      say(`\n== Summary, ${Math.round((Date.now() - from) / 1000)} s`);
      for (const { name, isGreen, seconds, passed, failed } of results) {
        say(
          `${isGreen ? "ok  " : "FAIL"}  ${name.padEnd(32)} ${seconds.toFixed(1).padStart(6)} s  ${String(passed).padStart(4)} passed, ${failed} failed`,
        );
      }
      for (const failure of results.flatMap((each) => each.named ?? [])) say(`  FAIL  ${failure}`);
      const sum = (key) => results.reduce((total, each) => total + each[key], 0);
      say(`${sum("passed")} passed, ${sum("failed")} failed`);
    }
    if (results.some((each) => !each.isGreen)) process.exitCode = 1;
    await stopAll();
  }
});
