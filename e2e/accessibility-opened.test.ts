import type { Page } from "puppeteer-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { Application } from "./support/application.ts";
import { violations } from "./support/axe.ts";
import { SCREENS } from "./support/screens.ts";
import { openTool, tap, unfold } from "./support/walk.ts";

let application: Application;
beforeAll(async () => {
  application = await Application.open();
});
afterAll(() => application.close());

type Opening = [
  what: string,
  open: (page: Page) => Promise<unknown>,
  shut?: (page: Page) => Promise<unknown>,
];
const escapeKey = (page: Page) => page.keyboard.press("Escape");

/** What is opened on which screen before the rules are run, one after the other on one page. */
const OPENED: [string, ...Opening[]][] = [
  [
    "find",
    ["the list of keys", (page) => tap(page, "Keys"), escapeKey],
    [
      "every reason and detail of Find",
      (page) =>
        page.$$eval("details", (all) => {
          for (const each of all) each.open = true;
        }),
    ],
  ],
  [
    "build",
    ["what the job waits for", (page) => page.locator("header button").click(), escapeKey],
    ["the book's search", (page) => tap(page, "Find in the book"), escapeKey],
    ["a line of the book", async (page) => (await page.$("aside [data-row]"))?.click()],
  ],
  [
    "strip",
    ["a line that can't be read", (page) => page.locator("[data-entry-line]").fill("out 3 m6x20 arbox")],
  ],
  ["add-vehicle", ["a refused form", (page) => tap(page, "Write it down")]],
  [
    "plan",
    [
      "a refused part",
      async (page) => {
        await openTool(page, "Another part");
        await unfold(page, "By name");
        await tap(page, "Choose it");
      },
    ],
  ],
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

  it.each(OPENED)("on %s", async (name, ...openings) => {
    const cdp = await page.createCDPSession();
    const emulate = (media: Record<string, string>) =>
      cdp.send("Emulation.setEmulatedMedia", {
        features: Object.entries(media).map(([feature, value]) => ({ name: feature, value })),
      });
    const screen = SCREENS.find((each) => each.name === name);
    await application.go(page, screen?.path ?? "/");
    for (const [what, open, shut] of openings) {
      await open(page);
      await new Promise((resolve) => setTimeout(resolve, 400));
      expect((await violations(page)).join("\n"), what).toBe("");
      for (const [theme, media] of THEMES) {
        await emulate(media);
        await new Promise((resolve) => setTimeout(resolve, 150));
        expect((await violations(page, "colours")).join("\n"), `${what}, ${theme}`).toBe("");
      }
      await emulate({});
      await shut?.(page);
    }
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
