import type { Page } from "puppeteer-core";
import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { jobId } from "../demo/seed.ts";
import { demoId } from "../demo/story.ts";
import { Application } from "./support/application.ts";
import { pictureOfFailure } from "./support/walk.ts";

let application: Application;
let page: Page;
beforeAll(async () => {
  application = await Application.open();
  page = await application.signedIn("maren");
});
afterAll(() => application.close());
afterEach(({ task }) => pictureOfFailure(page, task));

/** A4 at the screen's own dots. */
const PAPER = { width: 794, height: 1123 };
const isSeen = (selector: string) =>
  page.$$eval(selector, (all) => all.some((each) => (each as HTMLElement).checkVisibility()));

async function onPaper(path: string) {
  await page.emulateMediaType("screen");
  await application.go(page, path);
  await page.setViewport(PAPER);
  await page.emulateMediaType("print");
}

describe("a page on paper", () => {
  it("of a job comes with its whole book and with nothing that is only tapped", async () => {
    // More lines than are drawn of a long book on a screen.
    await application.scratch.owner.sequelize.query(
      `INSERT INTO entries (shop_id, id, job_id, seq, at, by, stage, kind, text)
       SELECT jobs.shop_id, gen_random_uuid(), jobs.id, 1000 + n, now(), jobs.opened_by, 'strip', 'note', 'printed line ' || n
       FROM jobs, generate_series(1, 150) AS n WHERE jobs.id = $1`,
      { bind: [jobId("open-build")] },
    );
    await onPaper(`/jobs/${jobId("open-build")}/strip`);
    await page.waitForFunction(() => document.body.textContent?.includes("Printed line 1."));
    const lines = await page.$$eval('aside[aria-label="Book"] [data-line]', (all) => all.length);
    expect(lines).toBeGreaterThan(150);
    expect(await isSeen('aside[aria-label="Book"] [data-line]')).toBe(true);
    for (const tapped of [
      'nav[aria-label="Places"]',
      'nav[aria-label="Stages"]',
      "[data-entry-line]",
      "[data-next]",
    ])
      expect(await isSeen(tapped), tapped).toBe(false);
    const cut = await page.evaluate(
      () =>
        [...document.querySelectorAll("main *, aside *")].filter(
          (each) =>
            each.scrollHeight > each.clientHeight + 4 && /auto|scroll/.test(getComputedStyle(each).overflowY),
        ).length,
    );
    expect(cut).toBe(0);
  });

  it("is ink on paper in the dim bay too", async () => {
    await page.emulateMediaFeatures([{ name: "prefers-color-scheme", value: "dark" }]);
    await onPaper(`/vehicles/${demoId("vehicle:scholar")}`);
    const color = await page.evaluate(() => getComputedStyle(document.body).color);
    expect(color).toBe("rgb(33, 29, 24)");
    expect(await isSeen('nav[aria-label="Places"]')).toBe(false);
    expect(await isSeen("h1")).toBe(true);
  });
});
