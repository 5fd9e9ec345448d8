#!/usr/bin/env node
// Everything that must hold: npm test. Sets up what is missing, runs every check, ends with one summary.
import { mkdirSync, readFileSync, rmSync } from "node:fs";
import { join, relative } from "node:path";
import { stripVTControlCharacters } from "node:util";
import { ensureBuild } from "./lib/build.mjs";
import { startCluster } from "./lib/cluster.mjs";
import {
  ensureDebian,
  ensurePackages,
  findChromium,
  findPdfToText,
  findPooler,
  findProgram,
} from "./lib/packages.mjs";
import { LOCAL, ROOT } from "./lib/paths.mjs";
import { isStopping, start, stopAll } from "./lib/processes.mjs";
import { run, say } from "./lib/say.mjs";

const bin = (name) => join(ROOT, "node_modules/.bin", name);
const results = [];
/** The database that each browser test clones. */
const SEEDED_TEMPLATE = "warm_ledger_seeded";

/** Its output comes whole, at its end, where another step runs beside it. */
function runStep(command, args, { env, isBeside }) {
  return new Promise((resolve) => {
    const child = start(command, args, {
      cwd: ROOT,
      stdio: isBeside ? ["ignore", "pipe", "pipe"] : ["ignore", "inherit", "inherit"],
      env,
    });
    const output = [];
    for (const stream of [child.stdout, child.stderr]) stream?.on("data", (part) => output.push(part));
    child.on("error", () => resolve({ code: 127, output }));
    child.on("close", (code) => resolve({ code: code ?? 1, output }));
  });
}

async function step(name, command, args, { env = process.env, isBeside = false } = {}) {
  if (isStopping()) return;
  if (!isBeside) say(`\n== ${name}`);
  const from = Date.now();
  // What is timed runs in the other lane: this one takes what that leaves.
  const [program, ...given] = isBeside ? ["nice", "-n", "10", command, ...args] : [command, ...args];
  const { code, output } = await runStep(program, given, { env, isBeside });
  if (isBeside) say(`\n== ${name}\n${Buffer.concat(output).toString()}`);
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

/** Vitest projects in one run, their tests counted from the report it writes. */
async function tests(name, projects, env) {
  const report = join(LOCAL, "reports", `${projects.join("-")}.json`);
  rmSync(report, { force: true });
  await step(
    name,
    bin("vitest"),
    [
      "run",
      ...projects.map((project) => `--project=${project}`),
      "--reporter=dot",
      "--reporter=json",
      `--outputFile.json=${report}`,
    ],
    { env },
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

/** What wants one core at a time: style, types, layers, the build that browsers walk, the made-up shop in its database. */
async function besides(env) {
  const beside = (name, command, args, more = {}) => step(name, command, args, { ...more, isBeside: true });
  await beside("lint", bin("biome"), ["check", "."]);
  await beside("types: routes", bin("react-router"), ["typegen"]);
  await beside("types", bin("tsc"), ["--noEmit"]);
  const rooms = ["core", "server", "app", "demo", "stand-ins"];
  for (const config of [".dependency-cruiser.cjs", ".dependency-cruiser.rooms.cjs"])
    await beside("layers", bin("depcruise"), ["--config", config, ...rooms]);
  await ensureBuild();
  await beside(
    "made-up shop",
    process.execPath,
    ["--import", "tsx", "e2e/support/seed.ts", SEEDED_TEMPLATE],
    { env },
  );
}

await run(async () => {
  const from = Date.now();
  try {
    await ensurePackages();
    mkdirSync(join(LOCAL, "reports"), { recursive: true });
    const CHROMIUM = await ensureDebian("Chromium", ["chromium-headless-shell"], findChromium);
    await ensureDebian("PgBouncer", ["pgbouncer"], findPooler);
    for (const name of ["caddy", "haproxy", "openssl"])
      await ensureDebian(name, [name], () => findProgram(name));
    await ensureDebian("pdftotext", ["poppler-utils"], findPdfToText);
    const DATABASE_URL = process.env.DATABASE_URL ?? (await startCluster("test", { fast: true }));
    const env = { ...process.env, DATABASE_URL, CHROMIUM };
    const units = async () => {
      await tests("core", ["core"]);
      await tests("app", ["app"]);
    };
    await Promise.all([besides(env), units()]);
    await tests("server and demo on PostgreSQL", ["server"], env);
    await tests("browser", ["e2e"], { ...env, SEEDED_TEMPLATE });
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
