import { createHmac } from "node:crypto";
import { QueryTypes, type Sequelize } from "sequelize";
import { appRole } from "./addresses.ts";

/** The role that reads everything for a backup and can write nothing: the owner itself is kept from its own forced rows. */
export const backupRole = (ownerUrl: string): string => appRole(ownerUrl).replace(/_app$/, "_backup");

function passwordOf(ownerUrl: string): string {
  const { username, password } = new URL(ownerUrl);
  return createHmac("sha256", `${username}:${password}`).update(backupRole(ownerUrl)).digest("base64url");
}

/** The address that a backup is read by. */
export function backupUrl(ownerUrl: string): string {
  const url = new URL(ownerUrl);
  url.username = encodeURIComponent(backupRole(ownerUrl));
  url.password = passwordOf(ownerUrl);
  return url.toString();
}

const quoted = (name: string) => `"${name.replaceAll('"', '""')}"`;

/** Makes the role, or gives it today's password, and lets it read every table there is. */
export async function ensureBackupRole(database: Sequelize, ownerUrl: string): Promise<void> {
  const name = backupRole(ownerUrl);
  const role = quoted(name);
  const password = database.escape(passwordOf(ownerUrl));
  await database.transaction(async (transaction) => {
    const run = (sql: string) => database.query(sql, { transaction });
    await run("SELECT pg_advisory_xact_lock(hashtext('warm-ledger-role'))");
    const found = await database.query("SELECT 1 FROM pg_roles WHERE rolname = $1", {
      bind: [name],
      type: QueryTypes.SELECT,
      transaction,
    });
    await run(
      `${found.length > 0 ? "ALTER" : "CREATE"} ROLE ${role} LOGIN NOCREATEDB NOCREATEROLE PASSWORD ${password}`,
    );
    await run(`GRANT USAGE ON SCHEMA public TO ${role}`);
    await run(`GRANT SELECT ON ALL TABLES IN SCHEMA public TO ${role}`);
    await run(`GRANT SELECT ON ALL SEQUENCES IN SCHEMA public TO ${role}`);
    // A clone's tables may be read by the role of the database that it was cloned from.
    const tables = await database.query<{ name: string }>(
      `SELECT c.relname AS name FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace
        WHERE n.nspname = 'public' AND c.relrowsecurity AND NOT EXISTS (
          SELECT 1 FROM pg_policy p JOIN pg_roles r ON r.oid = ANY (p.polroles)
           WHERE p.polrelid = c.oid AND p.polname = 'backup_reads' AND r.rolname = $1)`,
      { bind: [name], type: QueryTypes.SELECT, transaction },
    );
    for (const { name: table } of tables) {
      await run(`DROP POLICY IF EXISTS backup_reads ON ${quoted(table)}`);
      await run(`CREATE POLICY backup_reads ON ${quoted(table)} FOR SELECT TO ${role} USING (true)`);
    }
  });
}
