/** What costs a run of the tests most, whatever the machine: see `bin/lib/counts.mjs` for how much of each there may be. */
export type Costly = "page loads" | "servers" | "scratch databases" | "samples";

/** Writes down that a test has cost so much; `npm test` adds it up and holds it. */
export function count(what: Costly, times = 1): void {
  const file = process.env.COUNTS_FILE;
  if (file) process.getBuiltinModule("node:fs").appendFileSync(file, `${times} ${what}\n`);
}
