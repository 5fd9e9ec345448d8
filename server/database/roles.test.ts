import { randomBytes } from "node:crypto";
import { QueryTypes, Sequelize } from "sequelize";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { appRole, appUrl } from "./addresses.ts";
import { openDatabase } from "./connection.ts";
import { migrate } from "./migrate.ts";

const server = new URL(process.env.DATABASE_URL ?? "");
const tag = randomBytes(4).toString("hex");
const at = (database: string, { user = server.username, password = server.password } = {}) => {
  const url = new URL(server);
  url.pathname = `/${database}`;
  url.username = user;
  url.password = password;
  return url.toString();
};

let root: Sequelize;
const made: string[] = [];
async function makeDatabase(name: string, owner?: string) {
  await root.query(`CREATE DATABASE "${name}"${owner ? ` OWNER ${owner}` : ""}`);
  made.push(name);
  return name;
}

beforeAll(() => {
  root = new Sequelize(server.toString(), { logging: false });
});
afterAll(async () => {
  for (const name of made) await root.query(`DROP DATABASE "${name}" WITH (FORCE)`);
  for (const name of made) await root.query(`DROP ROLE IF EXISTS "${appRole(at(name))}"`);
  await root.query(`DROP ROLE IF EXISTS other_${tag}`);
  await root.close();
});

const answers = async (ownerUrl: string) => {
  const { sequelize } = openDatabase(appUrl({ DATABASE_URL: ownerUrl }));
  try {
    return await sequelize.query("SELECT count(*)::int AS shops, current_user AS who FROM shops", {
      type: QueryTypes.SELECT,
    });
  } finally {
    await sequelize.close();
  }
};

describe("two databases of one server", () => {
  it("each have a role of their own, and migrating one leaves the other's as it was", async () => {
    const ours = at(await makeDatabase(`ours_${tag}`));
    await migrate(ours);
    await root.query(`CREATE ROLE other_${tag} LOGIN CREATEROLE PASSWORD 'another'`);
    const name = await makeDatabase(`theirs-${tag}`, `other_${tag}`);
    const theirs = at(name, { user: `other_${tag}`, password: "another" });
    await migrate(theirs);
    expect(await answers(ours)).toEqual([{ shops: 0, who: `ours_${tag}_app` }]);
    expect(await answers(theirs)).toEqual([{ shops: 0, who: `theirs-${tag}_app` }]);
  });

  it("let nobody of one into a row of the other", async () => {
    const [ours, theirs] = [at(`ours_${tag}`), at(`theirs-${tag}`)];
    const url = new URL(appUrl({ DATABASE_URL: ours }));
    url.pathname = new URL(theirs).pathname;
    const { sequelize } = openDatabase(url.toString());
    await expect(sequelize.query("SELECT * FROM shops")).rejects.toThrow(/permission denied/);
    await sequelize.close();
  });

  it("have names that PostgreSQL keeps whole, however long the database's is", () => {
    const [first, second] = ["a", "b"].map((end) => appRole(at(`${"long".repeat(15)}${end}`)));
    expect(first).not.toBe(second);
    expect(Buffer.byteLength(first ?? "")).toBeLessThanOrEqual(63);
    expect(appRole(at("warm_ledger"))).toBe("warm_ledger_app");
  });
});

describe("a database from when one role served them all", () => {
  it("hands what that could do to its own role, and keeps nothing for it", async () => {
    const older = at(await makeDatabase(`older_${tag}`));
    await migrate(older);
    const owner = new Sequelize(older, { logging: false });
    const rights = (who: string) =>
      owner.query(
        `SELECT table_name, privilege_type, column_name FROM information_schema.role_column_grants WHERE grantee = $1 ORDER BY 1, 2, 3`,
        { bind: [who], type: QueryTypes.SELECT },
      );
    const own = `older_${tag}_app`;
    const usual = await rights(own);
    expect(usual.length).toBeGreaterThan(100);
    const made = `DO $$ BEGIN IF NOT EXISTS (SELECT 1 FROM pg_roles WHERE rolname = 'warm_ledger_app')
                    THEN CREATE ROLE warm_ledger_app; END IF; END $$`;
    await owner.query(made);
    const hand = (from: string, to: string) =>
      owner.query(`DO $$ DECLARE r record; BEGIN
        FOR r IN SELECT table_name AS t, privilege_type AS p, column_name AS c FROM information_schema.role_column_grants
                  WHERE grantee = '${from}' LOOP EXECUTE format('GRANT %s (%I) ON %I TO %I', r.p, r.c, r.t, '${to}'); END LOOP;
        FOR r IN SELECT table_name AS t, privilege_type AS p FROM information_schema.role_table_grants
                  WHERE grantee = '${from}' LOOP EXECUTE format('GRANT %s ON %I TO %I', r.p, r.t, '${to}'); END LOOP; END $$;
        REVOKE ALL ON ALL TABLES IN SCHEMA public FROM "${from}"`);
    await hand(own, "warm_ledger_app");
    expect(await rights(own)).toEqual([]);
    await owner.query("DELETE FROM migrations WHERE name = '017-role-per-database'");
    expect(await migrate(older)).toEqual(["017-role-per-database"]);
    expect(await rights(own)).toEqual(usual);
    expect(await rights("warm_ledger_app")).toEqual([]);
    await owner.close();
  });
});
