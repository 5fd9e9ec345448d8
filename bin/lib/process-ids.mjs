import { execFileSync } from "node:child_process";

/** The ids of the processes that `pgrep` finds by these flags; none where it finds none. */
export function processesBy(...flags) {
  try {
    return execFileSync("pgrep", flags, { encoding: "utf8" }).trim().split("\n").map(Number);
  } catch {
    return [];
  }
}

/** The processes that one has started. */
export const childrenOf = (pid) => processesBy("-P", String(pid));
