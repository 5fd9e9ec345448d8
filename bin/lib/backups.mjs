import { ensureBuild } from "./build.mjs";
import { runningCluster, startCluster } from "./cluster.mjs";
import { ensureDebian, findPostgres } from "./packages.mjs";
import { ROOT } from "./paths.mjs";
import { finish } from "./processes.mjs";
import { commandOf } from "./programs.mjs";
import { Trouble } from "./say.mjs";
import { keepRunning } from "./watched.mjs";

/** The database that DATABASE_URL names, or the project's own of that name: as it runs, else started for this command. */
export async function databaseOf(name) {
  return process.env.DATABASE_URL ?? (await runningCluster(name)) ?? startCluster(name);
}

/** What a command of the server tells in its one line of JSON. */
async function told(command, act, env) {
  await ensureBuild();
  const { output } = await finish(process.execPath, [commandOf(command), ...act], {
    cwd: ROOT,
    env: { ...process.env, ...env },
    allowFail: true,
  });
  const line = output.split("\n").findLast((each) => each.startsWith("{"));
  const said = line ? JSON.parse(line) : undefined;
  if (!said || said.refused) throw new Trouble(said?.refused ?? output.slice(-800));
  return said;
}

/** One act of server/commands/backup.ts, with PostgreSQL's own tools at hand. */
export async function runBackup(DATABASE_URL, ...act) {
  const PG_PROGRAMS = await ensureDebian("PostgreSQL", ["postgresql"], findPostgres);
  return told("backup", act, { DATABASE_URL, PG_PROGRAMS });
}

/** One act of server/commands/shop-file.ts; a new PIN and password for a lead come from the environment. */
export const runShopFile = (DATABASE_URL, ...act) => told("shop-file", act, { DATABASE_URL });

/** One act of server/commands/verify.ts: every shop's books read through, or a paper's hash looked up. */
export const runVerify = (DATABASE_URL, ...act) => told("verify", act, { DATABASE_URL });

/**
 * Does what has to be done each day (backup, reading the books through, what is over) in a process of its own, which is started
 * again where it falls. Of several machines on one database one does it.
 */
export async function startChores(DATABASE_URL, BACKUP_TO) {
  const PG_PROGRAMS = await ensureDebian("PostgreSQL", ["postgresql"], findPostgres);
  void keepRunning("What is done each day", process.execPath, [commandOf("chores")], {
    cwd: ROOT,
    env: { ...process.env, DATABASE_URL, BACKUP_TO, PG_PROGRAMS },
    stdio: ["ignore", "inherit", "inherit", "ipc"],
    isUp: () => true,
  });
}
