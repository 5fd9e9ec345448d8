import type { Page } from "puppeteer-core";
import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { jobId } from "../demo/seed.ts";
import { PEOPLE } from "../demo/shop.ts";
import { Application, settled } from "./support/application.ts";
import { allSent, bookLine, bookWords, pictureOfFailure, seen, tap } from "./support/walk.ts";

const STRIP = `/jobs/${jobId("open-find")}/strip`;

let application: Application;
let page: Page;
beforeAll(async () => {
  application = await Application.open();
  page = await application.signedIn("tobin");
  await application.go(page, STRIP);
});
afterAll(() => application.close());
afterEach(({ task }) => pictureOfFailure(page, task));

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

describe("what isn't sent", () => {
  it("is seen on Shop by the others once it was told", async () => {
    await application.go(page, STRIP);
    await bookLine(page, "out fan");
    const other = await application.signedIn("ilse");
    await application.go(other, STRIP);
    // Typed here while nobody tells this page what the other one books.
    await page.setOfflineMode(true);
    await page.locator("[data-entry-line]").fill("in fan");
    await page.keyboard.press("Enter");
    await seen(page, "1 unsent");
    await bookLine(other, "in fan");
    await other.browserContext().close();
    await page.setOfflineMode(false);
    await seen(page, "1 refused");
    await pause(4000);
    const lead = await application.signedIn("maren");
    await application.go(lead, "/shop");
    await seen(lead, "bay tablet:");
    await expect
      .poll(() => lead.$eval("main", (main) => main.textContent))
      .toMatch(/bay tablet: 1 unsent since \d\d:\d\d/);
    await lead.browserContext().close();
  });

  it("is said before signing out, which can be left", async () => {
    await tap(page, "Tobin: sign out");
    await seen(page, "One entry isn't sent yet");
    await tap(page, "Stay signed in");
    expect(new URL(page.url()).pathname).toBe(STRIP);
    await tap(page, "1 unsent");
    await tap(page, "Take it back");
    await page.waitForFunction(() => !document.body.textContent?.includes("1 refused"));
    await page.keyboard.press("Escape");
  });

  it("stays where the session has ended, which is called that; it is sent after signing in again", async () => {
    await application.scratch.owner.sequelize.query("DELETE FROM sessions");
    await page.locator("[data-entry-line]").fill("note after the session");
    await page.keyboard.press("Enter");
    await seen(page, "Your session has ended.");
    await seen(page, "After the session");
    await page.locator("::-p-text(sign in again)").click();
    await page.waitForFunction(() => location.pathname === "/sign-in");
    await settled(page);
    await page.locator("::-p-text(Tobin Askel)").click();
    await page.locator('input[name="pin"]').fill(PEOPLE.find(({ key }) => key === "tobin")?.pin ?? "");
    await page.keyboard.press("Enter");
    await page.waitForSelector("aside [data-line]");
    expect(new URL(page.url()).pathname).toBe(STRIP);
    await allSent(page);
    await expect.poll(async () => (await bookWords(page)).join("\n")).toContain("After the session");
  });
});

describe("focus", () => {
  const focus = () =>
    page.evaluate(
      () => document.activeElement?.getAttribute("aria-label") ?? document.activeElement?.textContent,
    );

  it("after a tick focus is on the next row, after a stage on its heading, after a dialog on what opened it", async () => {
    await application.go(page, STRIP);
    await bookLine(page, "out airbox");
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press("5");
    await page.waitForFunction(() => document.activeElement?.hasAttribute("data-stage-heading"));
    await expect.poll(() => focus()).toBe("What goes back next?");
    await page.$eval("::-p-aria(airbox: is back)", (button) => (button as HTMLElement).focus());
    await page.keyboard.press("Enter");
    // The row after it in its list, what has come in hand in its place, or the stage's heading where nothing has.
    await page.waitForFunction(() => {
      const active = document.activeElement;
      const label = active?.getAttribute("aria-label") ?? "";
      return (
        active?.hasAttribute("data-stage-heading") ||
        active?.closest("[data-in-hand]") ||
        (label.includes("back") && !label.includes("airbox"))
      );
    });
    await expect.poll(() => focus()).not.toContain("airbox");
    const row = await page.waitForSelector("aside [data-line] [data-row]");
    await row?.focus();
    const name = await focus();
    await page.keyboard.press("Enter");
    await page.waitForSelector('[role="dialog"]');
    await page.keyboard.press("Escape");
    await page.waitForFunction(() => !document.querySelector('[role="dialog"]'));
    await page.waitForFunction(
      (label) => document.activeElement?.getAttribute("aria-label") === label,
      {},
      name,
    );
  });
});
