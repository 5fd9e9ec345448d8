import { BaseError } from "sequelize";
import { noteBackup } from "../backups/last-backup.ts";
import { ToolTrouble } from "../backups/postgres-tools.ts";
import { restoreBackup, whatStands } from "../backups/restore-backup.ts";
import { BackupTrouble, takeBackup } from "../backups/take-backup.ts";
import { backupUrl } from "../database/backup-role.ts";

// take FOLDER | what | restore FILE: one line of JSON for bin/backup.mjs and bin/restore.mjs.
const url = process.env.DATABASE_URL;
if (!url) throw new Error("DATABASE_URL does not say where the database is.");
const say = (told: object) => process.stdout.write(`${JSON.stringify(told)}\n`);
const [what, given = ""] = process.argv.slice(2);

try {
  if (what === "take") {
    const taken = await takeBackup(url, given, new Date());
    await noteBackup(url, taken);
    say(taken);
  } else if (what === "what") say((await whatStands(backupUrl(url))) ?? {});
  else if (what === "restore") say(await restoreBackup(url, given, new Date()));
  else throw new Error(`“${what}” is not known here.`);
} catch (error) {
  if (error instanceof BackupTrouble || error instanceof ToolTrouble) say({ refused: error.message });
  else if (error instanceof BaseError)
    say({ refused: `The database answered: ${error.message || error.name}` });
  else throw error;
  process.exitCode = 1;
}
