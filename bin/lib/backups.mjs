import { runningCluster, startCluster } from "./cluster.mjs";
import { ensureDebian, findPostgres } from "./packages.mjs";
import { ROOT } from "./paths.mjs";
import { finish } from "./processes.mjs";
import { Trouble } from "./say.mjs";

/** The database that DATABASE_URL names, or the project's own of that name: as it runs, else started for this command. */
export async function databaseOf(name) {
  return process.env.DATABASE_URL ?? (await runningCluster(name)) ?? startCluster(name);
}

/** What a command of the server tells in its one line of JSON. */
async function told(command, act, env) {
  const { output } = await finish(process.execPath, ["--import", "tsx", command, ...act], {
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
  return told("server/commands/backup.ts", act, { DATABASE_URL, PG_PROGRAMS });
}

/** One act of server/commands/verify.ts: every shop's books read through, or a paper's hash looked up. */
export const runVerify = (DATABASE_URL, ...act) => told("server/commands/verify.ts", act, { DATABASE_URL });

/** Not while everything starts. */
const FIRST_MS = 60_000;
const DAY_MS = 86_400_000;
const AGAIN_MS = 3_600_000;

/** Backs up once a day from now on and reads the books through, and an hour later where that failed; says each time what came of it. */
export function backUpDaily(database, folder, say) {
  const next = (inMs) => {
    setTimeout(async () => {
      try {
        const { file, rows } = await runBackup(database, "take", folder);
        say(`Backed up: ${file}, ${rows} rows, restored and the same.`);
        const broken = (await runVerify(database, "all")).shops.flatMap((shop) => shop.broken);
        say(
          broken.length === 0
            ? "Every book is unbroken."
            : `${broken.length} books are not what was written. Look with: npm run verify`,
        );
        next(DAY_MS);
      } catch (error) {
        say(`The daily backup failed: ${error.message} It is tried again in an hour.`);
        next(AGAIN_MS);
      }
    }, inMs).unref();
  };
  next(FIRST_MS);
}
