import { execFile } from "node:child_process";
import { randomBytes } from "node:crypto";
import { join } from "node:path";
import { promisify } from "node:util";
import { QueryTypes, Sequelize } from "sequelize";
import { migrate } from "../database/migrate.ts";
import { runTool } from "./postgres-tools.ts";

const MOST_SCHEMA_BYTES = 50_000_000;

const open = (url: string) => new Sequelize(url, { logging: false, dialect: "postgres" });
const named = (url: string, name: string) => {
  const other = new URL(url);
  other.pathname = `/${name}`;
  return other.toString();
};
const quoted = (name: string) => `"${name.replaceAll('"', '""')}"`;

export interface Standing {
  shops: number;
  jobs: number;
  entries: number;
  /** When the newest line was booked; nothing where there is none. */
  newest: string | null;
}

/** What stands in a database that a backup would take the place of; nothing where it was never set up. */
export async function whatStands(readUrl: string): Promise<Standing | undefined> {
  const database = open(readUrl);
  try {
    const [row] = await database.query<Standing>(
      `SELECT (SELECT count(*)::int FROM shops) AS shops, (SELECT count(*)::int FROM jobs) AS jobs,
              (SELECT count(*)::int FROM entries) AS entries, (SELECT max(booked_at) FROM entries)::text AS newest`,
      { type: QueryTypes.SELECT },
    );
    return row;
  } catch {
    return undefined;
  } finally {
    await database.close();
  }
}

/** The roles that a backup's tables were granted to: a server that has never seen them has to have them first. */
async function rolesOf(file: string): Promise<string[]> {
  const { stdout } = await promisify(execFile)(
    join(process.env.PG_PROGRAMS ?? "", "pg_restore"),
    ["--schema-only", "--no-owner", "-f", "-", file],
    { maxBuffer: MOST_SCHEMA_BYTES },
  );
  const names = stdout.matchAll(/^(?:GRANT .+|CREATE POLICY backup_reads .+) TO ("(?:[^"]|"")+"|\w+)[; ]/gm);
  return [...new Set([...names].map(([, name = ""]) => name))];
}

/** Gives one database the name of another, which keeps its own should that fail. A server that serves meanwhile comes back at once. */
async function exchange(
  root: Sequelize,
  { name, beside, before }: { name: string; beside: string; before: string },
): Promise<void> {
  const rename = async (from: string, to: string) => {
    await root.query("SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = $1", {
      bind: [from],
    });
    await root.query(`ALTER DATABASE ${quoted(from)} RENAME TO ${quoted(to)}`);
  };
  const allow = (of: string, isAllowed: boolean) =>
    root.query(`ALTER DATABASE ${quoted(of)} ALLOW_CONNECTIONS ${isAllowed}`);
  await allow(name, false);
  try {
    await rename(name, before);
    await rename(beside, name).catch(async (error) => {
      await rename(before, name);
      throw error;
    });
  } catch (error) {
    await allow(name, true);
    throw error;
  }
  await allow(before, true);
}

/**
 * Puts a backup in the place of a database: restored beside it, brought up to this version, then given its name, so that one
 * that breaks off changes nothing. What stood there is kept under the name that comes back, for as long as nobody drops it.
 */
export async function restoreBackup(ownerUrl: string, file: string, at: Date): Promise<{ before: string }> {
  const name = decodeURIComponent(new URL(ownerUrl).pathname.slice(1));
  const stamp = at.toISOString().slice(0, 19).replace(/\D/g, "");
  const [beside, before] = [`${name}_${randomBytes(4).toString("hex")}`, `${name}_before_${stamp}`];
  // From neither of the two: a database that somebody is in keeps its name.
  const root = open(named(ownerUrl, "template1"));
  try {
    for (const role of await rolesOf(file)) {
      const plain = role.replace(/^"|"$/g, "").replaceAll('""', '"');
      const found = await root.query("SELECT 1 FROM pg_roles WHERE rolname = $1", {
        bind: [plain],
        type: QueryTypes.SELECT,
      });
      if (found.length === 0) await root.query(`CREATE ROLE ${quoted(plain)}`);
    }
    await root.query(`CREATE DATABASE ${quoted(beside)}`);
    await runTool("pg_restore", named(ownerUrl, beside), [
      "--no-owner",
      "--exit-on-error",
      "-d",
      beside,
      file,
    ]);
    await exchange(root, { name, beside, before });
  } catch (error) {
    await root.query(`DROP DATABASE IF EXISTS ${quoted(beside)} WITH (FORCE)`);
    throw error;
  } finally {
    await root.close();
  }
  await migrate(ownerUrl);
  return { before };
}
