import { appUrl } from "../../server/database/addresses.ts";
import { type Database, openDatabase } from "../../server/database/connection.ts";

let open: Database | undefined;

/** The process's one pool of connections, as the application's role. */
export function database(): Database {
  open ??= openDatabase(appUrl(process.env));
  return open;
}
