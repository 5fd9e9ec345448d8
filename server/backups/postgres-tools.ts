import { spawn } from "node:child_process";
import { join } from "node:path";

/** A tool of PostgreSQL's own that went wrong, with the last that it said. */
export class ToolTrouble extends Error {}

/** Runs one of PostgreSQL's own programs against a database to its end. `PG_PROGRAMS` names their folder. */
export function runTool(
  program: "pg_dump" | "pg_restore",
  url: string,
  args: readonly string[],
): Promise<void> {
  const { hostname, port, username, password, pathname } = new URL(url);
  const env = {
    ...process.env,
    PGHOST: hostname.replace(/^\[|\]$/g, ""),
    PGPORT: port || "5432",
    PGUSER: decodeURIComponent(username),
    PGPASSWORD: decodeURIComponent(password),
    PGDATABASE: pathname.slice(1),
    PGCONNECT_TIMEOUT: "10",
  };
  return new Promise((resolve, reject) => {
    let said = "";
    const child = spawn(join(process.env.PG_PROGRAMS ?? "", program), args, {
      env,
      stdio: ["ignore", "ignore", "pipe"],
    });
    child.stderr.on("data", (part) => {
      said = (said + part).slice(-2000);
    });
    child.on("error", (error) => reject(new ToolTrouble(`${program}: ${error.message}`)));
    child.on("close", (code) =>
      code === 0
        ? resolve()
        : reject(
            new ToolTrouble(`${program} ended with ${code}: ${said.trim().split("\n").slice(-3).join(" ")}`),
          ),
    );
  });
}
