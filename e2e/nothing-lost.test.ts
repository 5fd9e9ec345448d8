import type { Page } from "puppeteer-core";
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { jobId } from "../demo/seed.ts";
import { Application, readAnew, takenOver } from "./support/application.ts";
import { shownTest } from "./support/diagnose.ts";
import { allSent, bookedLines, bookWords, pictureOfFailure, seen, tap } from "./support/walk.ts";

const PATH = `/jobs/${jobId("open-find")}/strip`;

let application: Application;
let page: Page;
beforeAll(async () => {
  application = await Application.open({ keepsProgram: true });
  page = await application.signedIn("tobin");
});
afterAll(() => application.close());
beforeEach(async () => {
  await application.start();
  await application.go(page, PATH);
  await allSent(page);
});
afterEach(async ({ task }) => {
  await pictureOfFailure(page, task);
  page.removeAllListeners("request");
  await page.setRequestInterception(false);
  await page.setBypassServiceWorker(false);
  await page.setCacheEnabled(true);
});

async function type(line: string): Promise<void> {
  await page.locator("[data-entry-line]").fill(line);
  await page.keyboard.press("Enter");
}

const linesWith = async (words: string) => (await bookWords(page)).filter((line) => line.includes(words));

describe("nothing typed is lost", () => {
  it("by a dead server: kept with a visible count, sent once when it is back", async () => {
    await application.kill();
    await type("note typed in the dark");
    await type("out 2 m5x12 bag 6");
    await seen(page, "2 unsent");
    await seen(page, "not sent yet");
    await application.start();
    await allSent(page);
    await application.go(page, PATH);
    expect(await linesWith("Typed in the dark")).toHaveLength(1);
    expect(await linesWith("2 × M5×12")).toHaveLength(1);
  });

  it("by a lost network and a reload: sent after the reload", async () => {
    await page.setRequestInterception(true);
    let isCut = true;
    page.on(
      "request",
      (request) => void (isCut && request.method() === "POST" ? request.abort() : request.continue()),
    );
    await type("note before the reload");
    await seen(page, "1 unsent");
    await readAnew(page);
    await seen(page, "1 unsent");
    await seen(page, "Before the reload");
    isCut = false;
    await allSent(page);
    await application.go(page, PATH);
    expect(await linesWith("Before the reload")).toHaveLength(1);
  });

  it("by an answer that never came back: the resend is the same entry", async () => {
    await page.setRequestInterception(true);
    let swallowed = 0;
    page.on("request", async (request) => {
      if (request.method() !== "POST" || swallowed > 0) return request.continue();
      swallowed++;
      await fetch(request.url(), {
        method: "POST",
        headers: {
          ...request.headers(),
          Origin: application.address,
          Cookie: (await page.cookies()).map((cookie) => `${cookie.name}=${cookie.value}`).join("; "),
        },
        body: request.postData() ?? "",
      });
      return request.abort();
    });
    await type("note answered into the void");
    await seen(page, "1 unsent");
    await allSent(page);
    await application.go(page, PATH);
    expect(swallowed).toBe(1);
    expect(await linesWith("Answered into the void")).toHaveLength(1);
  });

  it("by Enter before the entry language has come: booked as soon as it is read", async () => {
    await page.setBypassServiceWorker(true);
    await page.setCacheEnabled(false);
    await page.setRequestInterception(true);
    const held: (() => void)[] = [];
    let isHeld = true;
    page.on("request", (request) => {
      const go = () => void request.continue();
      if (isHeld && request.url().includes("line-reader")) held.push(go);
      else go();
    });
    await readAnew(page);
    await takenOver(page);
    await page.waitForSelector('[data-entry-line][aria-busy="true"]');
    await type("note faster than the network");
    await seen(page, "It is read in a moment");
    expect(await linesWith("Faster than the network")).toHaveLength(0);
    isHeld = false;
    for (const go of held) go();
    await seen(page, "Faster than the network");
    await allSent(page);
    await application.go(page, PATH);
    expect(await linesWith("Faster than the network")).toHaveLength(1);
  });

  it("by half a line: a reload keeps what was typed", async () => {
    await page.locator("[data-entry-line]").fill("out 3 m6x20 air");
    await page.waitForFunction(() => document.querySelector("aside mark"));
    await new Promise((resolve) => setTimeout(resolve, 300));
    await readAnew(page);
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>("[data-entry-line]")?.value === "out 3 m6x20 air",
    );
  });
});

describe("nobody is kept out", () => {
  it("of a stage by a dead server: tests are booked there and sent when it is back", async () => {
    await application.go(page, PATH);
    await page.waitForSelector("html[data-stages-at-hand]");
    await application.kill();
    await page.keyboard.press("2");
    await shownTest(page);
    await seen(page, "without the shop's own history");
    const test = await page.$eval("#next-test", (heading) => heading.textContent ?? "");
    await page.locator('section[aria-labelledby="next-test"] .grid button').click();
    await seen(page, "1 unsent");
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    await page.keyboard.press("5");
    await seen(page, "What goes back next?");
    await application.start();
    await allSent(page);
    await application.go(page, PATH);
    expect((await bookWords(page)).filter((line) => line.includes(test))).toHaveLength(1);
  });
});

describe("nothing is doubled", () => {
  it("by a double tap", async () => {
    const before = await bookedLines(page);
    const shroud = await page.waitForSelector("::-p-aria(shroud)");
    await shroud?.click({ count: 2, delay: 5 });
    await seen(page, "shroud still out");
    await allSent(page);
    await application.go(page, PATH);
    expect(await bookedLines(page)).toBe(before + 1);
  });

  it("by two people who tick the same thing back", async () => {
    const other = await application.signedIn("ilse");
    const build = PATH.replace("strip", "build");
    await application.go(page, build);
    await application.go(other, build);
    const ticks = await Promise.all(
      [page, other].map((each) => each.waitForSelector("::-p-aria(shroud: is back)")),
    );
    await Promise.all(ticks.map((tick) => tick?.click()));
    await allSent(page);
    await allSent(other);
    await application.go(page, build);
    expect((await bookWords(page)).filter((line) => /Shroud\. ?(Undo ?)?1$/.test(line))).toHaveLength(2);
    await other.browserContext().close();
  });

  it("and what the server refuses stays, with the reason, until it is taken back", async () => {
    const other = await application.signedIn("ilse");
    await application.go(other, PATH);
    await tap(other, "fan");
    await allSent(other);
    await application.go(page, PATH.replace("strip", "build"));
    await page.waitForSelector("::-p-aria(fan: is back)");
    await application.go(other, PATH.replace("strip", "build"));
    // Typed here while nobody tells this page what the other one has ticked.
    await page.setOfflineMode(true);
    await type("in fan");
    await seen(page, "1 unsent");
    await tap(other, "fan: is back");
    await allSent(other);
    await page.setOfflineMode(false);
    await seen(page, "1 refused");
    await tap(page, "1 unsent");
    await seen(page, "is back already");
    await tap(page, "Take it back");
    await page.waitForFunction(() => !document.body.textContent?.includes("1 refused"));
    await other.browserContext().close();
  });
});
