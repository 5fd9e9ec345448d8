import { existsSync, readFileSync } from "node:fs";

/**
 * How much of what costs most one run of the tests may have, a tenth above what it has: no machine's mood moves these.
 * Whoever adds a walk sees here what it costs, and tries it in core or in `views` first.
 */
export const MOST = {
  // A page of the program read anew in Chromium: half a second of both cores.
  "page loads": 260,
  // A server that a test started as a process: a second of a core, and its pages find no warm code.
  servers: 27,
  // A clone of the migrated or the made-up shop: 150 ms, and a pool of connections.
  "scratch databases": 85,
  // Virtual cars, books and days that statistical tests look at; the whole of them is the bench's.
  samples: 765,
};

/** What a run has counted, beside what it may. */
export function readCounts(file) {
  const counted = Object.fromEntries(Object.keys(MOST).map((what) => [what, 0]));
  const lines = existsSync(file) ? readFileSync(file, "utf8").split("\n") : [];
  for (const line of lines) {
    const [, times, what] = /^(\d+) (.+)$/.exec(line) ?? [];
    if (what in counted) counted[what] += Number(times);
  }
  return Object.entries(counted).map(([what, count]) => ({
    what,
    count,
    most: MOST[what],
    isOver: count > MOST[what],
  }));
}
