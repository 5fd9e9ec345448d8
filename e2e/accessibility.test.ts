import type { Page } from "puppeteer-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { Application } from "./support/application.ts";
import { violations } from "./support/axe.ts";
import { SCREENS } from "./support/screens.ts";
import { tap } from "./support/walk.ts";

let application: Application;
beforeAll(async () => {
  application = await Application.open();
});
afterAll(() => application.close());

/** The dim bay as the button and the system's own setting bring it on: by the page's theme alone. */
async function dimmed(page: Page): Promise<string[]> {
  const before = await page.evaluate(() => {
    const { dataset } = document.documentElement;
    const theme = dataset.theme;
    dataset.theme = "dim";
    return theme;
  });
  await new Promise((resolve) => setTimeout(resolve, 150));
  const found = await violations(page, "colours");
  await page.evaluate((theme) => {
    if (theme === undefined) delete document.documentElement.dataset.theme;
    else document.documentElement.dataset.theme = theme;
  }, before);
  return found;
}

/** At 320 px, which is 400 % of a desk, the same rules are run in room.test.ts, where each page is loaded for it anyway. */
describe("nobody is shut out, and nothing runs out of the screen sideways: a desk", () => {
  let visitor: Page;
  let member: Page;
  beforeAll(async () => {
    visitor = await application.visit();
    member = await application.signedIn("maren");
  });

  it.each(SCREENS)("$name", async ({ name, path, before }) => {
    const page = name === "sign-in" ? visitor : member;
    await application.go(page, path);
    const overflow = await page.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    );
    expect(overflow).toBeLessThanOrEqual(0);
    await before?.(page, application);
    expect(await violations(page)).toEqual([]);
    // A theme moves nothing: the same page once more, its colours alone.
    expect(await dimmed(page), "dim bay").toEqual([]);
  });
});

it("the dim bay comes on by its button, stays over a reload, and goes again", async () => {
  const page = await application.signedIn("ilse");
  await application.go(page, "/");
  await tap(page, "Dim bay");
  await page.waitForSelector('html[data-theme="dim"]');
  await tap(page, "Daylight");
  await page.waitForSelector('html[data-theme="day"]');
  await tap(page, "Dim bay");
  await page.waitForSelector('html[data-theme="dim"]');
  await new Promise((resolve) => setTimeout(resolve, 500));
  await page.reload();
  await page.waitForSelector('html[data-theme="dim"]');
});
