#!/usr/bin/env node
// Reads every book against its hashes and every log against its sum: npm run verify. With --job 14 --line "3f2a 91c0 …", the line
// that a paper's hash belongs to.
import { parseArgs } from "node:util";
import { databaseOf, runVerify } from "./lib/backups.mjs";
import { ensurePackages } from "./lib/packages.mjs";
import { stopAll } from "./lib/processes.mjs";
import { run, say, Trouble } from "./lib/say.mjs";

const { values } = parseArgs({
  options: {
    of: { type: "string", default: "shop" },
    job: { type: "string" },
    line: { type: "string" },
  },
});

async function sayLine(database) {
  if (!/^\d{1,9}$/.test(values.job ?? "") || !values.line)
    throw new Trouble('A paper is looked up with both: npm run verify -- --job 14 --line "3f2a 91c0 …"');
  const { shops } = await runVerify(database, "line", values.job, values.line);
  if (shops.length === 0)
    throw new Trouble(
      `No line of job ${values.job} bears that hash: the paper is not of this book as it stands.`,
    );
  for (const { name, line, last } of shops)
    say(
      `${name}: it is line ${line} of job ${values.job}, ${line === last ? "the last one still" : `and the book goes on to line ${last}`}.`,
    );
}

async function sayAll(database) {
  const { shops } = await runVerify(database, "all");
  for (const { name, jobs, lines, broken } of shops) {
    say(`${name}: ${jobs} books, ${lines} lines, ${broken.length === 0 ? "unbroken" : "BROKEN"}.`);
    for (const { number, fromLine, why } of broken)
      say(`  job ${number}${fromLine === null ? "" : `, from line ${fromLine}`}: ${why}`);
  }
  if (shops.some(({ broken }) => broken.length > 0)) process.exitCode = 2;
}

await run(async () => {
  try {
    await ensurePackages();
    const database = await databaseOf(values.of);
    await (values.job || values.line ? sayLine(database) : sayAll(database));
  } finally {
    await stopAll();
  }
});
