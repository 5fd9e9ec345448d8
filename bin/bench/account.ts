import { QueryTypes } from "sequelize";
import { SHOP_ID } from "../../demo/seed.ts";
import { type AtDesk, atDesk, type Database } from "../../server/database/connection.ts";
import { verifyShop } from "../../server/verify/verify-shop.ts";
import type { Booked } from "./bookers.ts";

/** What stands in the books beside what was called booked. */
export async function accountOf(owner: Database, app: Database, { ids }: Booked) {
  const rows = await owner.sequelize.query<{ id: string }>(
    "SELECT id FROM entries WHERE text = 'under fire'",
    {
      type: QueryTypes.SELECT,
    },
  );
  const there = new Set(rows.map(({ id }) => id));
  const [holes] = await owner.sequelize.query<{ n: number }>(
    `SELECT count(*)::int AS n FROM jobs WHERE last_seq <> (SELECT count(*) FROM entries e WHERE e.shop_id = jobs.shop_id AND e.job_id = jobs.id)
        OR last_seq <> (SELECT coalesce(max(seq), 0) FROM entries e WHERE e.shop_id = jobs.shop_id AND e.job_id = jobs.id)`,
    { type: QueryTypes.SELECT },
  );
  const at: AtDesk = (work) => atDesk(app, { shopId: SHOP_ID }, work);
  return {
    lost: ids.filter((id) => !there.has(id)).length,
    doubled: rows.length - new Set(ids).size,
    holes: holes?.n ?? -1,
    broken: (await verifyShop(at)).broken.length,
  };
}
