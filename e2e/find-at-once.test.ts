import type { Page } from "puppeteer-core";
import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { jobId } from "../demo/seed.ts";
import { Application, TABLET } from "./support/application.ts";
import { shownTest } from "./support/diagnose.ts";
import { allSent, bookedLines, pictureOfFailure, seen } from "./support/walk.ts";

let application: Application;
let page: Page;
beforeAll(async () => {
  application = await Application.open({ keepsProgram: true });
});
afterAll(() => application.close());
afterEach(({ task }) => pictureOfFailure(page, task));

const find = `/jobs/${jobId("open-find")}/find`;
const outcome = 'section[aria-labelledby="next-test"] .grid button';
const isAnother = (test: string | null) =>
  page.waitForFunction(
    (last) => document.querySelector("[data-next-test]")?.getAttribute("data-next-test") !== last,
    {},
    test,
  );

describe("Find", () => {
  it("comes with belief and plan in the page itself, and nothing moves when the scripts take over", async () => {
    page = await application.signedIn("tobin");
    await page.setJavaScriptEnabled(false);
    await page.goto(`${application.address}${find}`);
    const bare = await page.$eval("[data-next-test]", (test) => test.getAttribute("data-next-test"));
    const suspects = () =>
      page.$$eval('section[aria-labelledby="suspects"] summary', (rows) =>
        rows.map((row) => row.textContent),
      );
    const before = await suspects();
    expect(before.length).toBeGreaterThan(3);
    await page.setJavaScriptEnabled(true);
    await application.go(page, find);
    await expect.poll(() => shownTest(page)).toBe(bare);
    await expect.poll(() => suspects()).toEqual(before);
  });

  it("a double tap answers one test, and not the one that comes up under the finger", async () => {
    page = await application.signedIn("ilse", TABLET);
    await application.go(page, find);
    const test = await shownTest(page);
    const before = await bookedLines(page);
    const box = await (await page.$$(outcome))[1]?.boundingBox();
    expect(box).toBeTruthy();
    const [x, y] = [(box?.x ?? 0) + 20, (box?.y ?? 0) + 20];
    for (let tap = 0; tap < 4; tap++) {
      await page.touchscreen.tap(x, y);
      await new Promise((resolve) => setTimeout(resolve, 120));
    }
    await isAnother(test);
    await allSent(page);
    await expect.poll(() => bookedLines(page)).toBe(before + 1);
  });

  it("thinks on here where the worker can't be had", async () => {
    page = await application.signedIn("tobin");
    await page.setRequestInterception(true);
    page.on("request", (request) =>
      request.url().includes("plan.worker") ? void request.abort() : void request.continue(),
    );
    await application.go(page, find);
    const test = await shownTest(page);
    await (await page.$$(outcome))[0]?.click();
    await isAnother(test);
    await allSent(page);
    await shownTest(page);
  });

  it("goes by what it last read while no server is to be had", async () => {
    page = await application.signedIn("tobin");
    await application.go(page, find);
    const test = await shownTest(page);
    await page.waitForSelector("html[data-stages-at-hand]");
    await application.kill();
    await (await page.$$(outcome))[0]?.click();
    await isAnother(test);
    await seen(page, "not sent yet");
    const suspects = () =>
      page.$$eval('section[aria-labelledby="suspects"] summary', (rows) =>
        rows.map((row) => row.textContent),
      );
    const before = await suspects();
    // As when somebody looks at the page again: everything is read anew, and nothing is there to be read.
    const failed = new Promise((tell) => page.once("requestfailed", tell));
    await page.evaluate(() => document.dispatchEvent(new Event("visibilitychange")));
    await failed;
    await new Promise((resolve) => setTimeout(resolve, 500));
    await expect.poll(() => suspects()).toEqual(before);
    for (const stage of ["Ask", "Find"]) {
      await page.locator(`nav[aria-label="Stages"] a::-p-text(${stage})`).click();
      await page.waitForFunction((end) => location.pathname.endsWith(end), {}, `/${stage.toLowerCase()}`);
    }
    await shownTest(page);
    await expect
      .poll(async () => (await suspects()).map((row) => row?.replace(/[+-]\d+/, "")))
      .toEqual(before.map((row) => row?.replace(/[+-]\d+/, "")));
    await expect
      .poll(() => page.evaluate(() => document.body.textContent?.includes("this goes by the handbook")))
      .toBe(false);
    await application.start();
    await allSent(page);
  });
});
