import { QueryTypes } from "sequelize";
import { noteBackup } from "../backups/last-backup.ts";
import { takeBackup } from "../backups/take-backup.ts";
import { allShops } from "../database/all-shops.ts";
import { type AtDesk, atDesk, type Database } from "../database/connection.ts";
import { lastVerified } from "../verify/last-verified.ts";
import { verifyShop } from "../verify/verify-shop.ts";
import type { Chore } from "./queue.ts";

/** A machine that is off at night is behind by the morning, and not by a whole day. */
const DAILY_MS = 23 * 3_600_000;

const isDue = (last: Date | string | null | undefined, now: Date) =>
  !last || now.getTime() - new Date(last).getTime() >= DAILY_MS;

interface Given {
  owner: Database;
  app: Database;
  ownerUrl: string;
  backupTo: string;
}

const backUp = ({ owner, ownerUrl, backupTo }: Given): Chore => ({
  name: "backup",
  async run() {
    const [row] = await owner.sequelize.query<{ at: Date | null }>(
      "SELECT max(taken_at) AS at FROM backups",
      {
        type: QueryTypes.SELECT,
      },
    );
    const now = new Date();
    if (!isDue(row?.at, now)) return undefined;
    const taken = await takeBackup(ownerUrl, backupTo, now);
    await noteBackup(ownerUrl, taken);
    return `Backed up: ${taken.file}, ${taken.rows} rows, restored and the same.`;
  },
});

const readBooksThrough = ({ app, ownerUrl }: Given): Chore => ({
  name: "verify",
  async run() {
    const said: string[] = [];
    for (const { id: shopId, name } of await allShops(ownerUrl)) {
      const at: AtDesk = (work) => atDesk(app, { shopId }, work);
      if (!isDue((await at(lastVerified))?.at, new Date())) continue;
      const { broken, lines } = await verifyShop(at, { withFiles: true });
      said.push(
        broken.length === 0
          ? `${name}: every book is unbroken, ${lines} lines.`
          : `${name}: ${broken.length} books are not what was written. Look with: npm run verify`,
      );
    }
    return said.length > 0 ? said.join("\n") : undefined;
  },
});

const keepHouse = ({ app, ownerUrl }: Given): Chore => ({
  name: "house",
  async run() {
    for (const { id: shopId } of await allShops(ownerUrl))
      await atDesk(app, { shopId }, ({ sequelize, transaction }) =>
        sequelize.query("SELECT keep_house()", { transaction }),
      );
    return undefined;
  },
});

/** What an installation does by itself, each day and whenever it was off meanwhile. */
export const allChores = (given: Given): Chore[] => [
  backUp(given),
  readBooksThrough(given),
  keepHouse(given),
];
