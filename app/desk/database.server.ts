import { appUrl } from "../../server/database/addresses.ts";
import { type Database, openDatabase } from "../../server/database/connection.ts";

let open: { url: string; database: Database } | undefined;
let following: Database | undefined;
let awayUntil = 0;
const AWAY_MS = 10_000;

/** The process's one pool of connections, as the application's role; another one where the address has changed. */
export function database(): Database {
  const url = appUrl(process.env);
  if (open?.url !== url) open = { url, database: openDatabase(url) };
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
