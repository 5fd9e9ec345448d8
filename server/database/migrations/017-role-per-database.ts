import { APP_ROLE, type Migration } from "./migration.ts";

/** Whom every database of a server once worked as. */
const ONE_FOR_ALL = "warm_ledger_app";

/** What the one role of all databases may do here goes to the role of this database alone. */
export const rolePerDatabase: Migration = {
  name: "017-role-per-database",
  up: async (run) => {
    const [is] = await run(
      `SELECT '${ONE_FOR_ALL}' = current_database() || '_app' AS own, EXISTS (SELECT 1 FROM pg_roles WHERE rolname = '${ONE_FOR_ALL}') AS there`,
    );
    if (is?.own || !is?.there) return;
    const tables = await run(
      `SELECT quote_ident(table_name) AS name, string_agg(privilege_type, ', ') AS rights
         FROM information_schema.role_table_grants
        WHERE grantee = '${ONE_FOR_ALL}' AND table_schema = 'public' GROUP BY table_name`,
    );
    const columns = await run(
      `SELECT quote_ident(table_name) AS name, privilege_type AS rights, string_agg(quote_ident(column_name), ', ') AS columns
         FROM information_schema.role_column_grants
        WHERE grantee = '${ONE_FOR_ALL}' AND table_schema = 'public' GROUP BY table_name, privilege_type`,
    );
    await run(`GRANT USAGE ON SCHEMA public TO ${APP_ROLE}`);
    for (const { name, rights } of tables) await run(`GRANT ${rights} ON ${name} TO ${APP_ROLE}`);
    for (const { name, rights, columns: of } of columns)
      await run(`GRANT ${rights} (${of}) ON ${name} TO ${APP_ROLE}`);
    await run(`REVOKE ALL ON ALL TABLES IN SCHEMA public FROM ${ONE_FOR_ALL}`);
    await run(`REVOKE ALL ON SCHEMA public FROM ${ONE_FOR_ALL}`);
  },
  down: "SELECT 1",
};
