import { readHistory } from "../../server/jobs/read-history.ts";
import { makeTemplate, type Scratch, scratchDatabase } from "../../server/testing/scratch-database.ts";
import { smallShop } from "../../server/testing/small-shop.ts";
import { type Figure, medianMs } from "./measure.ts";

const FEW = 1000;
const MANY = 100_000;
/** A statement has an end of its own, which a slow machine would meet. */
const AT_ONCE = 9900;

/** So many signed jobs with a verdict each, as signing would have counted them. */
async function sign(
  scratch: Scratch,
  shop: Awaited<ReturnType<typeof smallShop>>,
  jobs: number,
): Promise<void> {
  await scratch.owner.sequelize.query(
    `WITH made AS (
       INSERT INTO jobs (shop_id, id, number, vehicle_id, opened_by, opened_at, signed_at, signed_by, last_seq, counted_circuit, counted_hypothesis)
       SELECT $1, gen_random_uuid(), (SELECT coalesce(max(number), 0) FROM jobs WHERE shop_id = $1) + i, $2, $3, now(), NULL, NULL, 1, 'switch-1', (ARRAY['motor', 'fuse', 'switch-open'])[1 + i % 3]
         FROM generate_series(1, $4::int) AS i RETURNING id, counted_hypothesis
     ), said AS (
       INSERT INTO entries (shop_id, id, job_id, seq, at, by, stage, kind, item, text, data)
       SELECT $1, gen_random_uuid(), id, 1, now(), $3, 'find', 'decision', 'finding', 'x', jsonb_build_object('fact', 'finding', 'v', 1, 'finding', 'fault', 'hypothesis', counted_hypothesis) FROM made
     )
     INSERT INTO verdict_counts (shop_id, circuit, hypothesis, jobs)
       SELECT $1, 'switch-1', counted_hypothesis, count(*) FROM made GROUP BY counted_hypothesis
       ON CONFLICT (shop_id, circuit, hypothesis) DO UPDATE SET jobs = verdict_counts.jobs + excluded.jobs`,
    { bind: [shop.shopId, shop.vehicleId, shop.people.technician, jobs] },
  );
  await scratch.owner.sequelize.query(
    "UPDATE jobs SET signed_at = now(), signed_by = opened_by WHERE shop_id = $1 AND counted_circuit IS NOT NULL AND signed_at IS NULL",
    { bind: [shop.shopId] },
  );
  await scratch.owner.sequelize.query("ANALYZE");
}

/** What Find asks of the shop's history, with a thousand signed jobs and with a hundred thousand. */
export async function benchHistory(): Promise<Figure[]> {
  await makeTemplate();
  const scratch = await scratchDatabase();
  try {
    const shop = await smallShop(scratch, "History");
    const read = () => shop.at((desk) => readHistory(desk, "switch-1"));
    await sign(scratch, shop, FEW);
    const fewMs = await medianMs(25, read);
    for (let signed = FEW; signed < MANY; signed += AT_ONCE)
      await sign(scratch, shop, Math.min(AT_ONCE, MANY - signed));
    const manyMs = await medianMs(25, read);
    const total = Object.values(await read()).reduce((sum, jobs) => sum + jobs, 0);
    if (total !== MANY) throw new Error(`the history tells of ${total} jobs, and there are ${MANY}`);
    return [
      {
        name: `shop's history for Find, ${MANY} signed jobs over ${FEW}`,
        measured: manyMs / fewMs,
        unit: "×",
        wanted: 1.5,
        from: `${manyMs.toFixed(1)} ms against ${fewMs.toFixed(1)} ms`,
      },
    ];
  } finally {
    await scratch.drop();
  }
}
