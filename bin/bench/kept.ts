import { mkdtempSync, rmSync, statSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { takeBackup } from "../../server/backups/take-backup.ts";
import { backupUrl } from "../../server/database/backup-role.ts";
import { atDesk, openDatabase } from "../../server/database/connection.ts";
import { migrate } from "../../server/database/migrate.ts";
import { packShop } from "../../server/subjects/shops/pack-shop.ts";
import { unpackShop } from "../../server/subjects/shops/unpack-shop.ts";
import { makeTemplate, scratchDatabase } from "../../server/testing/scratch-database.ts";
import { smallShop } from "../../server/testing/small-shop.ts";
import { verifyShop } from "../../server/verify/verify-shop.ts";
import { signMany } from "./many-jobs.ts";
import type { Figure } from "./measure.ts";

const LINES = 5;
const MB = 1e6;

const seconds = async <Result>(work: () => Promise<Result>): Promise<[Result, number]> => {
  const from = performance.now();
  return [await work(), (performance.now() - from) / 1000];
};

/** Holds the most memory that this process has had while something went on. */
async function watched<Result>(work: () => Promise<Result>): Promise<[Result, number]> {
  let most = 0;
  const timer = setInterval(() => {
    most = Math.max(most, process.memoryUsage().rss);
  }, 50);
  try {
    return [await work(), most / MB];
  } finally {
    clearInterval(timer);
  }
}

/** A shop of very many jobs backed up and restored, and taken elsewhere as one file: whole, equal, and in how much memory. */
export async function benchKept(jobs = "100000"): Promise<Figure[]> {
  await makeTemplate();
  const [here, there] = [await scratchDatabase(), await scratchDatabase()];
  const folder = mkdtempSync(join(tmpdir(), "kept-"));
  try {
    await migrate(here.ownerUrl);
    const shop = await smallShop(here, "Kept");
    await signMany(here, shop, Number(jobs), LINES);
    // Answers only where each table restored has the same rows and the same sum of them.
    const [backup, backupS] = await seconds(() => takeBackup(here.ownerUrl, folder, new Date()));
    const reader = openDatabase(backupUrl(here.ownerUrl), { isPatient: true });
    const file = join(folder, "shop.zip");
    const given = { shopId: shop.shopId, withSecrets: true };
    const [[, packMb], packS] = await seconds(() => watched(() => packShop(reader, given, file)));
    await reader.sequelize.close();
    const [[, unpackMb], unpackS] = await seconds(() => watched(() => unpackShop(there.owner, file)));
    const [{ broken, lines }, verifyS] = await seconds(() =>
      verifyShop((work) => atDesk(there.database, { shopId: shop.shopId }, work)),
    );
    const megabytes = (path: string) => (statSync(path).size / MB).toFixed(1);
    return [
      {
        name: `rows of ${jobs} jobs in a backup that restored equal`,
        measured: backup.rows,
        unit: "rows",
        wanted: Number(jobs) * (LINES + 2),
        atLeast: true,
        from: `${backupS.toFixed(0)} s, ${megabytes(backup.file)} MB`,
      },
      {
        name: "the same shop written as one file",
        measured: packMb,
        unit: "MB",
        wanted: 600,
        from: `${packS.toFixed(0)} s, ${megabytes(file)} MB of file`,
      },
      {
        name: "and read in elsewhere",
        measured: unpackMb,
        unit: "MB",
        wanted: 600,
        from: `${unpackS.toFixed(0)} s`,
      },
      {
        name: "broken books where it arrived",
        measured: broken.length,
        unit: "books",
        wanted: 1,
        from: `${lines} lines read through in ${verifyS.toFixed(0)} s`,
      },
    ];
  } finally {
    rmSync(folder, { recursive: true, force: true });
    await Promise.all([here.drop(), there.drop()]);
  }
}
