import { allChores } from "../chores/chores.ts";
import { startQueue } from "../chores/queue.ts";
import { appUrl } from "../database/addresses.ts";
import { openDatabase } from "../database/connection.ts";

// Does what has to be done each day until it is stopped: bin/shop.mjs starts it, and again where it falls.
const { DATABASE_URL: ownerUrl, BACKUP_TO: backupTo } = process.env;
if (!ownerUrl || !backupTo)
  throw new Error("DATABASE_URL and BACKUP_TO say where the database is and where backups go.");

const owner = openDatabase(ownerUrl, { isPatient: true });
const app = openDatabase(appUrl(process.env), { isPatient: true });
const stop = await startQueue(ownerUrl, allChores({ owner, app, ownerUrl, backupTo }), (words) =>
  process.stdout.write(`${words}\n`),
);
process.send?.("ready");

const end = () => void stop().finally(() => process.exit(0));
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, end);
process.on("disconnect", end);
