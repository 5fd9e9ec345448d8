import { randomBytes } from "node:crypto";
import { mkdirSync, readdirSync, renameSync, rmSync, statSync } from "node:fs";
import { join } from "node:path";
import { QueryTypes, Sequelize, Transaction } from "sequelize";
import { backupUrl } from "../database/backup-role.ts";
import { QUEUE_SCHEMA } from "../database/queue-schema.ts";
import { backupName, outlived } from "./kept-backups.ts";
import { runTool } from "./postgres-tools.ts";
import { differences, type Told, tablesTold } from "./tables-told.ts";

export interface Taken {
  file: string;
  bytes: number;
  rows: number;
  /** Backups that were over and are taken away. */
  removed: string[];
}

/** A backup that doesn't come back as what it was taken of. */
export class BackupTrouble extends Error {}

const open = (url: string) => new Sequelize(url, { logging: false, dialect: "postgres" });
const named = (url: string, name: string) => {
  const other = new URL(url);
  other.pathname = `/${name}`;
  return other.toString();
};

/** Restores a backup into a database of its own that is gone afterwards, and tells what stands in it. */
async function restoredTold(ownerUrl: string, file: string): Promise<Record<string, Told>> {
  const name = `warm_ledger_check_${randomBytes(6).toString("hex")}`;
  const owner = open(ownerUrl);
  try {
    await owner.query(`CREATE DATABASE ${name}`);
    await runTool("pg_restore", named(ownerUrl, name), ["--no-owner", "--exit-on-error", "-d", name, file]);
    const restored = open(named(backupUrl(ownerUrl), name));
    try {
      return await restored.transaction((transaction) => tablesTold(restored, transaction));
    } finally {
      await restored.close();
    }
  } finally {
    await owner.query(`DROP DATABASE IF EXISTS ${name} WITH (FORCE)`);
    await owner.close();
  }
}

/**
 * Takes a backup of everything into a folder by PostgreSQL's own tools, restores it into a scratch database and compares
 * each table's rows and their sum with what was there as it was taken; only then it has its name. The owner has to be able
 * to make databases. Throws `BackupTrouble` where it doesn't come back the same.
 */
export async function takeBackup(ownerUrl: string, folder: string, at: Date): Promise<Taken> {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const file = join(folder, backupName(at));
  const making = `${file}.part`;
  const reader = open(backupUrl(ownerUrl));
  try {
    // One moment for both: what is booked meanwhile is in neither.
    const told = await reader.transaction(
      { isolationLevel: Transaction.ISOLATION_LEVELS.REPEATABLE_READ },
      async (transaction) => {
        const [row] = await reader.query<{ id: string }>("SELECT pg_export_snapshot() AS id", {
          type: QueryTypes.SELECT,
          transaction,
        });
        await runTool("pg_dump", backupUrl(ownerUrl), [
          ...["--format=custom", "--enable-row-security", `--snapshot=${row?.id}`],
          // What has to be done is no record of what was.
          ...[`--exclude-schema=${QUEUE_SCHEMA}`, "--lock-wait-timeout=10s", `--file=${making}`],
        ]);
        return tablesTold(reader, transaction);
      },
    );
    const other = differences(told, await restoredTold(ownerUrl, making));
    if (other.length > 0)
      throw new BackupTrouble(`The backup doesn't come back as it was taken: ${other.join("; ")}.`);
    renameSync(making, file);
    const removed = outlived(readdirSync(folder));
    for (const name of removed) rmSync(join(folder, name));
    return {
      file,
      bytes: statSync(file).size,
      rows: Object.values(told).reduce((sum, { rows }) => sum + rows, 0),
      removed,
    };
  } finally {
    rmSync(making, { force: true });
    await reader.close();
  }
}
