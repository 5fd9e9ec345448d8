import { mkdtempSync, readdirSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { backupUrl } from "../database/backup-role.ts";
import { openDatabase } from "../database/connection.ts";
import { migrate } from "../database/migrate.ts";
import { readBook } from "../entries/read-books.ts";
import { type Scratch, scratchDatabase } from "../testing/scratch-database.ts";
import { smallShop } from "../testing/small-shop.ts";
import { backupName, outlived, takenAt } from "./kept-backups.ts";
import { lastBackup, noteBackup } from "./last-backup.ts";
import { restoreBackup, whatStands } from "./restore-backup.ts";
import { takeBackup } from "./take-backup.ts";

let scratch: Scratch;
let folder: string;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), "backups-"));
  scratch = await scratchDatabase();
  await migrate(scratch.ownerUrl);
});
afterAll(async () => {
  rmSync(folder, { recursive: true });
  await scratch.drop();
});

const at = new Date("2031-03-06T08:00:00Z");

describe("a backup", () => {
  it("holds every shop's every row, and comes back in the place of what was there since", async () => {
    const [ours, theirs] = [await smallShop(scratch, "Ours"), await smallShop(scratch, "Theirs")];
    for (const shop of [ours, theirs]) await shop.book({ kind: "note", text: `of ${shop.slug}` });
    const before = await whatStands(backupUrl(scratch.ownerUrl));
    expect(before).toMatchObject({ shops: 2, jobs: 2, entries: 2 });
    const { file, rows, bytes } = await takeBackup(scratch.ownerUrl, folder, at);
    expect(rows).toBeGreaterThan(20);
    expect(bytes).toBeGreaterThan(1000);
    expect(readdirSync(folder)).toEqual([backupName(at)]);
    await ours.book({ kind: "note", text: "after it" });
    const kept = await restoreBackup(scratch.ownerUrl, file, at);
    expect(kept.before).toContain(scratch.name);
    expect(await whatStands(backupUrl(scratch.ownerUrl))).toEqual(before);
    await expect.poll(() => ours.at((desk) => readBook(desk, ours.jobId)).catch(() => [])).toHaveLength(1);
    await theirs.book({ kind: "note", text: "goes on" });
    const owner = openDatabase(process.env.DATABASE_URL ?? "", { isPatient: true });
    await owner.sequelize.query(`DROP DATABASE "${kept.before}" WITH (FORCE)`);
    await owner.sequelize.close();
  });

  it("that breaks off leaves what was there, and no file or database behind", async () => {
    const before = await whatStands(backupUrl(scratch.ownerUrl));
    const broken = join(folder, "broken.dump");
    writeFileSync(broken, "PGDMP and then nothing");
    await expect(restoreBackup(scratch.ownerUrl, broken, at)).rejects.toThrow();
    expect(await whatStands(backupUrl(scratch.ownerUrl))).toEqual(before);
    const [left] = await scratch.owner.sequelize.query(
      "SELECT 1 FROM pg_database WHERE datname LIKE 'warm_ledger_check%' OR datname LIKE $1",
      { bind: [`${scratch.name}_%`] },
    );
    expect(left).toEqual([]);
    await expect(takeBackup(scratch.ownerUrl, join(broken, "in it"), at)).rejects.toThrow();
  });

  it("is read by a role that writes nothing", async () => {
    const reader = openDatabase(backupUrl(scratch.ownerUrl));
    for (const sql of [
      "DELETE FROM jobs",
      "UPDATE people SET name = 'x'",
      "INSERT INTO backups (bytes, row_count) VALUES (1, 1)",
    ])
      await expect(reader.sequelize.query(sql)).rejects.toThrow(/permission denied/);
    await reader.sequelize.close();
  });

  it("is old after a day and a half, and none is old at once", async () => {
    const shop = await smallShop(scratch, "Age");
    const told = (days: number) =>
      shop.at((desk) => lastBackup({ ...desk, now: new Date(Date.now() + days * 86_400_000) }));
    expect(await told(0)).toEqual({ takenAt: null, isOld: true });
    await noteBackup(scratch.ownerUrl, { bytes: 10, rows: 1 });
    expect((await told(1)).isOld).toBe(false);
    expect((await told(2)).isOld).toBe(true);
  });
});

describe("which backups are kept", () => {
  const daily = Array.from({ length: 800 }, (_, day) =>
    backupName(new Date(Date.parse("2029-01-01T02:00:00Z") + day * 86_400_000)),
  );

  it("are the newest of seven days, five weeks and twelve months, and nothing that isn't ours goes", () => {
    const kept: string[] = [];
    for (const name of daily) {
      kept.push(name);
      for (const over of outlived(kept)) kept.splice(kept.indexOf(over), 1);
    }
    expect(kept.length).toBeGreaterThanOrEqual(18);
    expect(kept.length).toBeLessThanOrEqual(24);
    for (const name of daily.slice(-7)) expect(kept).toContain(name);
    const months = new Set(kept.map((name) => takenAt(name)?.toISOString().slice(0, 7)));
    expect(months.size).toBeGreaterThanOrEqual(12);
    expect(outlived(["notes.txt", "warm-ledger-99.dump", ...daily.slice(0, 3)])).toEqual([]);
  });

  it("are told by their names alone", () => {
    expect(takenAt(backupName(at))).toEqual(at);
    expect(takenAt("warm-ledger-2031-13-40T000000Z.dump")).toBeUndefined();
  });
});
