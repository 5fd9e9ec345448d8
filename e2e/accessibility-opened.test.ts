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

/** What is opened on which screen before the rules are run. */
const OPENED: [string, string, (page: Page) => Promise<unknown>][] = [
  ["the list of keys", "find", (page) => tap(page, "Keys")],
  ["what the job waits for", "build", (page) => page.locator("header button").click()],
  ["a line of the book", "build", async (page) => (await page.$("aside [data-row]"))?.click()],
  ["the book's search", "build", (page) => tap(page, "Find in the book")],
  ["a reason in Find", "find", (page) => page.locator('[aria-labelledby="suspects"] summary').click()],
  [
    "every detail of Find",
    "find",
    (page) =>
      page.$$eval("details", (all) => {
        for (const each of all) each.open = true;
      }),
  ],
  [
    "a line that can't be read",
    "strip",
    (page) => page.locator("[data-entry-line]").fill("out 3 m6x20 arbox"),
  ],
  ["a refused form", "add-vehicle", (page) => tap(page, "Write it down")],
  ["a refused part", "plan", (page) => tap(page, "Choose it")],
];

const THEMES: [string, Record<string, string>][] = [
  ["dim bay", { "prefers-color-scheme": "dark" }],
  ["forced colours", { "forced-colors": "active" }],
];

describe("nobody is shut out of what opens, on paper, in the dim bay, in forced colours", () => {
  let page: Page;
  beforeAll(async () => {
    page = await application.signedIn("ilse");
  });

  it.each(OPENED)("%s", async (_, name, open) => {
    const cdp = await page.createCDPSession();
    const emulate = (media: Record<string, string>) =>
      cdp.send("Emulation.setEmulatedMedia", {
        features: Object.entries(media).map(([feature, value]) => ({ name: feature, value })),
      });
    const screen = SCREENS.find((each) => each.name === name);
    await application.go(page, screen?.path ?? "/");
    await open(page);
    await new Promise((resolve) => setTimeout(resolve, 400));
    expect(await violations(page)).toEqual([]);
    for (const [theme, media] of THEMES) {
      await emulate(media);
      await new Promise((resolve) => setTimeout(resolve, 150));
      expect(await violations(page, "colours"), theme).toEqual([]);
    }
    await emulate({});
    await cdp.detach();
  });
});

describe("nobody is shut out at 320 px, which is 400 % of a desk", () => {
  let page: Page;
  beforeAll(async () => {
    page = await application.signedIn("ilse", { width: 320, height: 256 });
  });

  it("from the places behind More, nor from the stages", async () => {
    await application.go(page, "/");
    await tap(page, "More");
    expect(await violations(page)).toEqual([]);
    await page.keyboard.press("Escape");
    await application.go(page, SCREENS.find(({ name }) => name === "find")?.path ?? "/");
    await page.locator('nav[aria-label="Stages"] button').click();
    expect(await violations(page)).toEqual([]);
  });
});
