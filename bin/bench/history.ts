import { readHistory } from "../../server/books/jobs/read-history.ts";
import { makeTemplate, scratchDatabase } from "../../server/testing/scratch-database.ts";
import { smallShop } from "../../server/testing/small-shop.ts";
import { signMany } from "./many-jobs.ts";
import { type Figure, medianMs } from "./measure.ts";

const FEW = 1000;
const MANY = 100_000;
/** What Find asks of the shop's history, with a thousand signed jobs and with a hundred thousand. */
export async function benchHistory(): Promise<Figure[]> {
  await makeTemplate();
  const scratch = await scratchDatabase();
  try {
    const shop = await smallShop(scratch, "History");
    const read = () => shop.at((desk) => readHistory(desk, "switch-1"));
    await signMany(scratch, shop, FEW);
    const fewMs = await medianMs(25, read);
    await signMany(scratch, shop, MANY - FEW);
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
