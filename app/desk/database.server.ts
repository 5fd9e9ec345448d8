import { appUrl } from "../../server/database/addresses.ts";
import { type Database, openDatabase } from "../../server/database/connection.ts";

let open: { from: string; database: Database } | undefined;
let following: Database | undefined;
let awayUntil = 0;
const AWAY_MS = 10_000;

/** The process's one pool of connections, as the application's role; another one where the environment names another. */
export function database(): Database {
  const { APP_DATABASE_URL, DATABASE_URL = "" } = process.env;
  const from = APP_DATABASE_URL || DATABASE_URL;
  if (open?.from !== from) open = { from, database: openDatabase(appUrl(process.env)) };
  return open.database;
}

/** A database that follows the other one, a second behind, where READ_DATABASE_URL names one. */
export function followingDatabase(): Database | undefined {
  const url = process.env.READ_DATABASE_URL;
  if (!url || Date.now() < awayUntil) return undefined;
  following ??= openDatabase(url, { isSpare: true });
  return following;
}

/** The one that follows isn't to be had: for a while nobody waits for it again. */
export function leaveFollowing(): void {
  awayUntil = Date.now() + AWAY_MS;
}
