import { readJob } from "../../server/books/jobs/read-job.ts";
import { makeTemplate, scratchDatabase } from "../../server/testing/scratch-database.ts";
import { smallShop } from "../../server/testing/small-shop.ts";
import { type Figure, medianPairMs } from "./measure.ts";

const LONG_BOOK = 500;

/** The server's side of the job page with a long book, against the same rows by bare SQL. */
export async function benchJobPage(): Promise<Figure[]> {
  await makeTemplate();
  let queries = 0;
  const scratch = await scratchDatabase(() => {
    queries++;
  });
  try {
    const shop = await smallShop(scratch, "Bench");
    const countQueries = async () => {
      queries = 0;
      await shop.at((desk) => readJob(desk, shop.jobId));
      return queries;
    };
    const lines = (count: number) =>
      Array.from({ length: count }, (_, index) => ({
        account: "fastener" as const,
        item: "M6×20",
        place: `bag ${index % 9}`,
        out: 1,
      }));
    await shop.book(...lines(10));
    const fewQueries = await countQueries();
    for (let booked = 10; booked < LONG_BOOK; booked += 49) await shop.book(...lines(49));
    const manyQueries = await countQueries();
    const bareSql = () =>
      shop.at(({ sequelize, transaction }) =>
        sequelize.query("SELECT * FROM entries WHERE job_id = $1 ORDER BY seq", {
          bind: [shop.jobId],
          transaction,
        }),
      );
    const { firstMs, secondMs } = await medianPairMs(
      15,
      () => shop.at((desk) => readJob(desk, shop.jobId)),
      bareSql,
    );
    return [
      {
        name: `job page of ${LONG_BOOK} entries, times its bare SQL`,
        measured: firstMs / secondMs,
        unit: "×",
        wanted: 5,
        from: `${firstMs.toFixed(1)} ms against ${secondMs.toFixed(1)} ms`,
      },
      {
        name: `more queries for ${LONG_BOOK} entries than for 10`,
        measured: manyQueries - fewQueries,
        unit: "",
        wanted: 0.5,
        from: `${manyQueries} against ${fewQueries}, the transaction's own among them`,
      },
    ];
  } finally {
    await scratch.drop();
  }
}
