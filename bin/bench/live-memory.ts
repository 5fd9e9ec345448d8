import { randomUUID } from "node:crypto";
import type { Page } from "puppeteer-core";
import { jobId, SHOP_ID } from "../../demo/seed.ts";
import { demoId } from "../../demo/story.ts";
import { Application } from "../../e2e/support/application.ts";
import type { Figure } from "./measure.ts";

const HOURS = 8;
const PER_SECOND = 4;
const MEGA = 1e6;
/** A log that is over is asked for in pieces, some seconds apart. */
const LONGEST_MS = 180_000;

/** What the page's own scripts hold once all that nobody holds is gone, MB. */
async function heldMB(page: Page): Promise<number> {
  const session = await page.createCDPSession();
  await session.send("HeapProfiler.collectGarbage");
  const { usedSize } = await session.send("Runtime.getHeapUsage");
  await session.detach();
  return usedSize / MEGA;
}

/** A log of a whole working day on a job, as a recorder writes it: a row a second. */
async function putLog({ scratch }: Application): Promise<string> {
  const id = randomUUID();
  const { sequelize } = scratch.owner;
  await sequelize.query(
    `INSERT INTO live_logs (shop_id, id, job_id, opening, per_second, started_by, started_at, ended_at)
     VALUES ($1, $2, $3, '', $4, $5, now() - interval '${HOURS} hours', now())`,
    { bind: [SHOP_ID, id, jobId("open-prove"), PER_SECOND, demoId("person:ilse")] },
  );
  await sequelize.query(
    `INSERT INTO live_log_parts (shop_id, log_id, samples)
     SELECT $1, $2, (SELECT jsonb_agg(jsonb_build_object('s', at + part / ${PER_SECOND}.0, 'coolantC', 88 + (at / 60) % 12,
              'intakeC', 31, 'rpm', 800 + (at * 7 + part) % 40, 'kmh', 0, 'throttlePercent', 12.2, 'volts', 13.9))
              FROM generate_series(0, ${PER_SECOND - 1}) part)
       FROM generate_series(0, ${HOURS * 3600 - 1}) at ORDER BY at`,
    { bind: [SHOP_ID, id] },
  );
  return id;
}

/** What a log of eight hours costs whoever watches it. */
export async function benchLiveMemory(): Promise<Figure[]> {
  const application = await Application.open();
  try {
    const page = await application.signedIn("ilse");
    page.setDefaultTimeout(LONGEST_MS);
    await application.go(page, `/jobs/${jobId("open-prove")}/prove#live`);
    const before = await heldMB(page);
    await putLog(application);
    await application.go(page, `/jobs/${jobId("open-prove")}/prove?again=1#live`);
    await page.waitForFunction(() => /over 4[78]\d minutes/.test(document.body.innerHTML), { polling: 2000 });
    const after = await heldMB(page);
    return [
      {
        name: `what a log of ${HOURS} hours takes of a browser's memory`,
        measured: after - before,
        unit: "MB",
        wanted: 60,
        from: `${HOURS * 3600 * PER_SECOND} readings; ${after.toFixed(0)} MB with it, ${before.toFixed(0)} without`,
      },
    ];
  } finally {
    await application.close();
  }
}
