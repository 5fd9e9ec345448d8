#!/usr/bin/env node
// Everything that must hold: npm test. Sets up what is missing, runs every check, ends with one summary.
// npm test -- PATH runs what belongs to a path alone, on every floor: npm test -- core/trade/leaks
import { mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join, relative } from "node:path";
import { stripVTControlCharacters } from "node:util";
import { belonging } from "./lib/belonging.mjs";
import { ensureBuild } from "./lib/build.mjs";
import { startCluster } from "./lib/cluster.mjs";
import { readCounts } from "./lib/counts.mjs";
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
import { run, say, Trouble } from "./lib/say.mjs";

/** Processor seconds of all that this command has started and that has ended, with what those started. */
const worked = () => {
  const [user = 0, system = 0] = readFileSync("/proc/self/stat", "utf8")
    .split(") ")[1]
    .split(" ")
    .slice(13, 15)
    .map(Number);
  return (user + system) / TICKS;
};
/** How Linux counts them, on every machine that this runs on. */
const TICKS = 100;

const isWhole = process.argv.length <= 2;

const bin = (name) => join(ROOT, "node_modules/.bin", name);
const results = [];
/** How long each part took when it was last run whole, so that whoever waits knows for what. */
const TIMES_FILE = join(LOCAL, "reports/times.json");
/** Core, app, server, views, processes, browser; of a path's, those that have any of it. */
let parts = 6;
let begun = 0;

function lastTimes() {
  try {
    return JSON.parse(readFileSync(TIMES_FILE, "utf8"));
  } catch {
    return {};
  }
}

/** What begins now, which part it is of how many, and how long it took last. */
function announced(name) {
  begun++;
  const last = lastTimes()[name];
  return `== ${name}, part ${begun} of ${parts}${last ? `, about ${last} s by the last run` : ""}`;
}
const COUNTS_FILE = join(LOCAL, "reports/counts");
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
  if (!isBeside) say(`\n${announced(name)}`);
  const [from, workedBefore] = [Date.now(), worked()];
  // What is timed runs in the other lane: this one takes what that leaves.
  const [program, ...given] = isBeside ? ["nice", "-n", "10", command, ...args] : [command, ...args];
  const { code, output } = await runStep(program, given, { env, isBeside });
  if (isBeside) say(`\n== ${name}\n${Buffer.concat(output).toString()}`);
  results.push({
    name,
    isGreen: code === 0,
    seconds: (Date.now() - from) / 1000,
    worked: worked() - workedBefore,
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
  const at =
    plain.match(/\b(?:e2e|views|processes|server|core|app|demo)\/[\w./-]+\.test\.ts:\d+/g)?.[0] ?? "";
  return `${plain.replace(/\s+/g, " ").slice(0, 400)} ${at}`.trim();
}

/** Vitest projects in one run, their tests counted from the report it writes. */
async function tests(name, projects, env, files = []) {
  const report = join(LOCAL, "reports", `${projects.join("-")}.json`);
  rmSync(report, { force: true });
  await step(
    name,
    bin("vitest"),
    [
      "run",
      ...files,
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

/** Whether a project's tests ask a database, or the build that a shop runs. */
const WANTS_DATABASE = ["server", "views", "processes", "e2e"];
const WANTS_BUILD = ["processes", "e2e"];

const chromium = () => ensureDebian("Chromium", ["chromium-headless-shell"], findChromium);
const proxies = async () => {
  await ensureDebian("PgBouncer", ["pgbouncer"], findPooler);
  for (const name of ["caddy", "haproxy", "openssl"])
    await ensureDebian(name, [name], () => findProgram(name));
};
const pdfToText = () => ensureDebian("pdftotext", ["poppler-utils"], findPdfToText);
const databaseUrl = async () => process.env.DATABASE_URL ?? (await startCluster("test", { fast: true }));

/** What belongs to these paths, project by project, with what each wants and no more. */
async function onlyOf(paths) {
  const found = belonging(paths);
  if (found.length === 0) throw new Trouble(`No test belongs to ${paths.join(", ")}.`);
  const projects = found.map(([project]) => project);
  parts = projects.length;
  const wants = (of) => projects.some((project) => of.includes(project));
  const env = { ...process.env, ...(wants(WANTS_DATABASE) && { DATABASE_URL: await databaseUrl() }) };
  if (wants(["server", "e2e"])) await pdfToText();
  if (wants(["processes"])) await proxies();
  if (wants(["processes", "e2e"])) env.CHROMIUM = await chromium();
  if (wants(WANTS_BUILD)) await ensureBuild();
  for (const [project, files] of found) await tests(project, [project], env, files);
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
    rmSync(COUNTS_FILE, { force: true });
    process.env.COUNTS_FILE = COUNTS_FILE;
    if (!isWhole) return await onlyOf(process.argv.slice(2));
    const CHROMIUM = await chromium();
    await proxies();
    await pdfToText();
    const DATABASE_URL = await databaseUrl();
    const env = { ...process.env, DATABASE_URL, CHROMIUM };
    const units = async () => {
      await tests("core", ["core"]);
      await tests("app", ["app"]);
    };
    await Promise.all([besides(env), units()]);
    await tests("server and demo on PostgreSQL", ["server"], env);
    const seeded = { ...env, SEEDED_TEMPLATE };
    await tests("views in a light document", ["views"], seeded);
    await tests("servers as processes", ["processes"], seeded);
    await tests("browser", ["e2e"], seeded);
  } finally {
    if (results.length > 0) {
      say(`\n== Summary, ${Math.round((Date.now() - from) / 1000)} s`);
      say(`      ${"".padEnd(32)}  clock     cpu`);
      for (const { name, isGreen, seconds, worked, passed, failed } of results) {
        say(
          `${isGreen ? "ok  " : "FAIL"}  ${name.padEnd(32)} ${seconds.toFixed(0).padStart(6)} s ${worked.toFixed(0).padStart(6)} s  ${String(passed).padStart(4)} passed, ${failed} failed`,
        );
      }
      for (const { what, count, most, isOver } of readCounts(COUNTS_FILE)) {
        say(
          `${isOver ? "FAIL" : "ok  "}  ${what.padEnd(32)} ${String(count).padStart(6)} of ${most} at most`,
        );
        if (isOver) process.exitCode = 1;
      }
      if (isWhole && results.every((each) => each.isGreen)) {
        const times = results.map(({ name, seconds }) => [name, Math.round(seconds)]);
        writeFileSync(TIMES_FILE, JSON.stringify({ ...lastTimes(), ...Object.fromEntries(times) }));
      }
      if (results.some((each) => !each.isGreen))
        say(`Reports and pictures of what failed: ${relative(process.cwd(), join(LOCAL, "reports"))}`);
      for (const failure of results.flatMap((each) => each.named ?? [])) say(`  FAIL  ${failure}`);
      const sum = (key) => results.reduce((total, each) => total + each[key], 0);
      say(`${sum("passed")} passed, ${sum("failed")} failed, ${worked().toFixed(0)} s of processor`);
    }
    if (results.some((each) => !each.isGreen)) process.exitCode = 1;
    await stopAll();
  }
});
