import { QueryTypes, Sequelize } from "sequelize";
import type { Desk } from "../database/connection.ts";

const DAY_MS = 86_400_000;
/** Made once a day: after so long one has been missed, or two. */
const OLD_MS = 1.5 * DAY_MS;

/** Notes for every shop of the installation that a backup was taken and came back the same. */
export async function noteBackup(
  ownerUrl: string,
  { bytes, rows }: { bytes: number; rows: number },
): Promise<void> {
  const owner = new Sequelize(ownerUrl, { logging: false, dialect: "postgres" });
  try {
    await owner.query("INSERT INTO backups (bytes, row_count) VALUES ($1, $2)", { bind: [bytes, rows] });
  } finally {
    await owner.close();
  }
}

export interface LastBackup {
  takenAt: string | null;
  /** True where nobody should rely on it any more: too old, or none at all. */
  isOld: boolean;
}

/** When the installation was last backed up, and whether that is too long ago. */
export async function lastBackup({ sequelize, transaction, now }: Desk): Promise<LastBackup> {
  const [row] = await sequelize.query<{ at: Date | null }>("SELECT max(taken_at) AS at FROM backups", {
    type: QueryTypes.SELECT,
    transaction,
  });
  const at = row?.at ?? null;
  return {
    takenAt: at?.toISOString() ?? null,
    isOld: at === null || now.getTime() - at.getTime() > OLD_MS,
  };
}
