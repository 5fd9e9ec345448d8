import type { Scratch } from "../../server/testing/scratch-database.ts";
import type { smallShop } from "../../server/testing/small-shop.ts";

/** A statement has an end of its own, which a slow machine would meet. */
const AT_ONCE = 5000;

/** So many signed jobs with a verdict each, as signing would have counted them, and so many lines in each book before the signature. */
export async function signMany(
  { owner: { sequelize } }: Scratch,
  { shopId, vehicleId, people }: Awaited<ReturnType<typeof smallShop>>,
  jobs: number,
  lines = 1,
): Promise<void> {
  const circuit = "switch-1";
  for (let made = 0; made < jobs; made += AT_ONCE) {
    const bind = [shopId, vehicleId, people.technician, Math.min(AT_ONCE, jobs - made), circuit];
    await sequelize.query(
      `INSERT INTO jobs (shop_id, id, number, vehicle_id, opened_by, opened_at, counted_circuit, counted_hypothesis)
       SELECT $1, gen_random_uuid(), (SELECT coalesce(max(number), 0) FROM jobs WHERE shop_id = $1) + i, $2, $3, now(), $5,
              (ARRAY['motor', 'fuse', 'switch-open'])[1 + i % 3]
         FROM generate_series(1, $4::int) AS i`,
      { bind },
    );
    const unsigned = "shop_id = $1 AND counted_circuit IS NOT NULL AND signed_at IS NULL";
    for (let line = 1; line <= lines; line++)
      await sequelize.query(
        `INSERT INTO entries (shop_id, id, job_id, seq, at, by, stage, kind, item, text, data)
         SELECT shop_id, gen_random_uuid(), id, 1, now(), opened_by, 'find', 'decision', 'finding', 'x',
                jsonb_build_object('fact', 'finding', 'v', 1, 'finding', 'fault', 'hypothesis', counted_hypothesis)
           FROM jobs WHERE ${unsigned}`,
        { bind: [shopId] },
      );
    await sequelize.query(
      `INSERT INTO entries (shop_id, id, job_id, seq, at, by, stage, kind, item, text, data)
       SELECT shop_id, gen_random_uuid(), id, 1, now(), opened_by, 'sign', 'decision', 'signed', 'everything is accounted for',
              '{"fact": "signature", "v": 2, "open": []}' FROM jobs WHERE ${unsigned}`,
      { bind: [shopId] },
    );
    await sequelize.query(
      `INSERT INTO verdict_counts (shop_id, circuit, hypothesis, jobs)
       SELECT $1, $2, counted_hypothesis, count(*) FROM jobs WHERE ${unsigned} GROUP BY counted_hypothesis
           ON CONFLICT (shop_id, circuit, hypothesis) DO UPDATE SET jobs = verdict_counts.jobs + excluded.jobs`,
      { bind: [shopId, circuit] },
    );
    await sequelize.query(`UPDATE jobs SET signed_at = now(), signed_by = opened_by WHERE ${unsigned}`, {
      bind: [shopId],
    });
  }
  await sequelize.query("ANALYZE");
}
