import { randomUUID } from "node:crypto";
import type { Page } from "puppeteer-core";
import { STAGES } from "../../core/book/entry/index.ts";
import { jobId, SHOP_ID } from "../../demo/seed.ts";
import { Application } from "../../e2e/support/application.ts";
import { SCREENS } from "../../e2e/support/screens.ts";
import { allSent } from "../../e2e/support/walk.ts";
import { ensureBuild } from "../lib/build.mjs";
import { type Figure, median } from "./measure.ts";
import { forget, SLOWER, seenBy, watch } from "./watch.ts";

const LATENCY_MS = 400;
const BYTES_PER_S = 400_000;
const LINES = 300;
const FASTENERS = 60;
const BAGS = 8;
const TAPS = 8;
/** After its load event a page is watched for so long. */
const WATCHED_MS = 2500;
const KILO = 1000;

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** An ordinary front-end job: 60 fasteners into 8 bags, and 240 lines of notes and readings about them. */
async function fillBook(application: Application, id: string): Promise<void> {
  const rows = Array.from({ length: LINES }, (_, index) => {
    const line = { shop_id: SHOP_ID, id: randomUUID(), job_id: id, seq: 1000 + index };
    return index % (LINES / FASTENERS) === 0
      ? {
          ...line,
          stage: "strip",
          kind: "movement",
          account: "fastener",
          item: `M${[6, 8, 10][index % 3]}×${20 + (index % 4) * 5}`,
          place: `bag ${(index % BAGS) + 1}`,
          out: 1 + (index % 4),
        }
      : { ...line, stage: STAGES[index % 7], kind: "note", text: `what was seen and done, ${index}` };
  });
  await application.scratch.owner.sequelize.query(
    `INSERT INTO entries (shop_id, id, job_id, seq, at, by, stage, kind, account, item, place, "out", text)
     SELECT shop_id, id, job_id, seq, now(), (SELECT opened_by FROM jobs WHERE jobs.id = job_id), stage, kind, account, item, place, "out", text
       FROM jsonb_to_recordset($1::jsonb) AS r(shop_id uuid, id uuid, job_id uuid, seq int, stage text, kind text, account text, item text, place text, "out" float8, text text)`,
    { bind: [JSON.stringify(rows)] },
  );
  // The server numbers on from here, so that a new line is the last.
  await application.scratch.owner.sequelize.query("UPDATE jobs SET last_seq = $1 WHERE id = $2", {
    bind: [1000 + LINES, id],
  });
}

/** From a click to the drawing in which `isThere` first holds, ms. */
const until = (page: Page, click: string, isThere: string): Promise<number> =>
  page.evaluate(
    (selector, wanted) =>
      new Promise<number>((tell, fail) => {
        const control = document.querySelector<HTMLElement>(selector);
        if (!control) return fail(new Error(`${selector} is nowhere`));
        const from = performance.now();
        // No inner function has a name here: the compiler would wrap it in a helper that the page doesn't have.
        const timer = setInterval(() => {
          const isLate = performance.now() - from > 10_000;
          if (!isLate && !document.querySelector(wanted)) return;
          clearInterval(timer);
          if (isLate) fail(new Error(`${wanted} never came`));
          else requestAnimationFrame(() => tell(performance.now() - from));
        }, 4);
        control.click();
      }),
    click,
    isThere,
  );

async function benchLongJob(application: Application): Promise<Figure[]> {
  const id = jobId("open-build");
  await fillBook(application, id);
  const page = await application.signedIn("tobin");
  await page.emulateCPUThrottling(SLOWER);
  await application.go(page, `/jobs/${id}/strip`);
  await pause(WATCHED_MS);
  const taps: number[] = [];
  for (let tap = 0; tap < TAPS; tap++) {
    const button = await page.$$eval('section[aria-labelledby="usual"] button:not(:disabled)', (all) => {
      all[0]?.setAttribute("data-bench", "");
      return all.length;
    });
    if (button === 0) break;
    const last = await page.$$eval("aside [data-line]", (rows) =>
      Number(rows.at(-1)?.getAttribute("data-line")),
    );
    taps.push(await until(page, "[data-bench]", `aside [data-line="${last + 1}"]`));
    // What was tapped may have gone with what it booked.
    await page.evaluate(() => document.querySelector("[data-bench]")?.removeAttribute("data-bench"));
    await allSent(page);
    await pause(300);
  }
  const opens: number[] = [];
  for (const stage of ["build", "fill", "sign", "plan", "find", "ask", "strip", "build", "prove"]) {
    opens.push(
      await until(
        page,
        `nav[aria-label="Stages"] a[href$="/${stage}"]`,
        `main a[href$="/${stage}"], nav[aria-label="Stages"] a[aria-current="page"][href$="/${stage}"]`,
      ),
    );
    await pause(600);
  }
  const list = (figures: number[]) => figures.map((ms) => ms.toFixed(0)).join(", ");
  return [
    {
      name: `a tap shows its line, ${LINES} lines, ${SLOWER}× slower, the slowest of ${taps.length}`,
      measured: Math.max(...taps),
      unit: "ms",
      wanted: 200,
      from: `median ${median(taps).toFixed(0)}; ${list(taps)}`,
    },
    {
      name: `a stage opens, ${LINES} lines, ${SLOWER}× slower, the slowest of ${opens.length}`,
      measured: Math.max(...opens),
      unit: "ms",
      wanted: 500,
      from: `median ${median(opens).toFixed(0)}; ${list(opens)}`,
    },
  ];
}

async function benchScreens(application: Application): Promise<Figure[]> {
  const page = await application.signedIn("tobin");
  await watch(page);
  await page.emulateCPUThrottling(SLOWER);
  const cdp = await page.createCDPSession();
  await cdp.send("Network.enable");
  await cdp.send("Network.emulateNetworkConditions", {
    offline: false,
    latency: LATENCY_MS,
    downloadThroughput: BYTES_PER_S,
    uploadThroughput: BYTES_PER_S,
  });
  let bytes = 0;
  cdp.on("Network.loadingFinished", ({ encodedDataLength }) => {
    bytes += encodedDataLength;
  });
  page.setDefaultTimeout(30_000);
  const figures: Figure[] = [];
  for (const { name, path } of SCREENS.filter(
    (screen) => screen.name !== "find-verdict" && screen.name !== "sign-in",
  )) {
    await cdp.send("Network.clearBrowserCache");
    bytes = 0;
    await page.goto(`${application.address}${path}`, { waitUntil: "load" });
    const loaded = bytes;
    await forget(page);
    await pause(WATCHED_MS);
    const { shift, long } = await seenBy(page);
    figures.push(
      { name: `${name}: layout shift`, measured: shift, unit: "", wanted: 0.05 },
      {
        name: `${name}: longest task after load`,
        measured: Math.max(0, ...long),
        unit: "ms",
        wanted: 50,
        from: long.map((ms) => ms.toFixed(0)).join(", "),
      },
    );
    if (path.startsWith("/jobs/"))
      figures.push({ name: `${name}: bytes, compressed`, measured: loaded / KILO, unit: "kB", wanted: 300 });
  }
  return figures;
}

/** What a shop's slow tablet on a slow network makes of every main screen, and of a job of 300 lines. */
export async function benchSlowHands(): Promise<Figure[]> {
  await ensureBuild();
  const application = await Application.open();
  try {
    return [...(await benchScreens(application)), ...(await benchLongJob(application))];
  } finally {
    await application.close();
  }
}
