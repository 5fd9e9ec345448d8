import { runningCluster, startCluster } from "./cluster.mjs";
import { ensureDebian, findPostgres } from "./packages.mjs";
import { ROOT } from "./paths.mjs";
import { finish } from "./processes.mjs";
import { Trouble } from "./say.mjs";

/** The database that DATABASE_URL names, or the project's own of that name: as it runs, else started for this command. */
export async function databaseOf(name) {
  return process.env.DATABASE_URL ?? (await runningCluster(name)) ?? startCluster(name);
}

/** One act of server/commands/backup.ts, with PostgreSQL's own tools at hand. */
export async function runBackup(DATABASE_URL, ...act) {
  const PG_PROGRAMS = await ensureDebian("PostgreSQL", ["postgresql"], findPostgres);
  const { output } = await finish(
    process.execPath,
    ["--import", "tsx", "server/commands/backup.ts", ...act],
    { cwd: ROOT, env: { ...process.env, DATABASE_URL, PG_PROGRAMS }, allowFail: true },
  );
  const line = output.split("\n").findLast((each) => each.startsWith("{"));
  const told = line ? JSON.parse(line) : undefined;
  if (!told || told.refused) throw new Trouble(told?.refused ?? output.slice(-800));
  return told;
}

/** Not while everything starts. */
const FIRST_MS = 60_000;
const DAY_MS = 86_400_000;
const AGAIN_MS = 3_600_000;

/** Backs up once a day from now on, and an hour later where that failed; says each time what came of it. */
export function backUpDaily(database, folder, say) {
  const next = (inMs) => {
    setTimeout(async () => {
      try {
        const { file, rows } = await runBackup(database, "take", folder);
        say(`Backed up: ${file}, ${rows} rows, restored and the same.`);
        next(DAY_MS);
      } catch (error) {
        say(`The daily backup failed: ${error.message} It is tried again in an hour.`);
        next(AGAIN_MS);
      }
    }, inMs).unref();
  };
  next(FIRST_MS);
}
