import type { Page } from "puppeteer-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { Application, DESKTOP, TABLET } from "./support/application.ts";
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

/** Each page is loaded once for the sizes of a device. */
const DEVICES = [
  ["a desk", [DESKTOP]],
  [
    "a tablet upright, and at 320 px, which is 400 % of a desk",
    [TABLET, { ...TABLET, width: 320, height: 256 }],
  ],
] as const;

describe.each(DEVICES)("nobody is shut out, and nothing runs out of the screen sideways: %s", (_, sizes) => {
  let visitor: Page;
  let member: Page;
  beforeAll(async () => {
    visitor = await application.visit(sizes[0]);
    member = await application.signedIn("maren", sizes[0]);
  });

  it.each(SCREENS)("$name", async ({ name, path, before }) => {
    const page = name === "sign-in" ? visitor : member;
    await page.setViewport(sizes[0]);
    await application.go(page, path);
    for (const size of sizes) {
      await page.setViewport(size);
      const overflow = await page.evaluate(
        () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
      );
      expect(overflow).toBeLessThanOrEqual(0);
      if (size === DESKTOP) await before?.(page);
      expect(await violations(page)).toEqual([]);
      // A theme moves nothing: the same page once more, its colours alone.
      if (size === DESKTOP) expect(await dimmed(page), "dim bay").toEqual([]);
    }
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
