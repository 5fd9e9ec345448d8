import type { Page } from "puppeteer-core";
import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { jobId } from "../demo/seed.ts";
import { Application, PHONE } from "./support/application.ts";
import { violations } from "./support/axe.ts";
import { SCREENS } from "./support/screens.ts";
import { pictureOfFailure, tap } from "./support/walk.ts";

/** 1280 × 1024 at 400 % is 320 × 256; the last of a phone's is with its keyboard up. A page is loaded once for each device. */
const DEVICES = [
  [
    "a phone upright, lying, with its keyboard up",
    [PHONE, { ...PHONE, width: 844, height: 390 }, { ...PHONE, height: 420 }],
  ],
  [
    "a desk at 200 % and 400 % zoom",
    [
      { width: 640, height: 400 },
      { width: 320, height: 256 },
    ],
  ],
] as const;
const NAMES = [
  "today",
  "vehicles",
  "vehicle",
  "add-vehicle",
  "shop",
  "ask",
  "find",
  "plan",
  "strip",
  "build",
  "fill",
  "prove",
  "sign",
];
const shown = SCREENS.filter(({ name }) => NAMES.includes(name));
/** 400 % of a desk: here the rules of accessibility are run too. */
const NARROWEST_PX = 320;
/** Those that are looked at for the rules alone. */
const others = SCREENS.filter(({ name }) => !NAMES.includes(name) && name !== "find-verdict");

let application: Application;
let page: Page;
beforeAll(async () => {
  application = await Application.open();
});
afterAll(() => application.close());
afterEach(({ task }) => pictureOfFailure(page, task));

/** Every control of the page that, with the focus on it, can't be seen or tapped at its middle, and why. */
const hidden = (): Promise<string[]> =>
  page.evaluate(() => {
    const trouble: string[] = [];
    const all = document.querySelectorAll<HTMLElement>(
      "a[href], button:not(:disabled), input:not([type=hidden]):not(:disabled), select, textarea, summary",
    );
    for (const control of all) {
      if (!control.checkVisibility() || control.tabIndex < 0 || control.closest(".sr-only")) continue;
      control.focus();
      const box = control.getBoundingClientRect();
      if (box.width <= 1) continue;
      const name = `${control.tagName} ${(control.getAttribute("aria-label") ?? control.textContent ?? "").trim().slice(0, 40)}`;
      const x = box.x + box.width / 2;
      const y = box.y + Math.min(box.height, 48) / 2;
      if (x < 0 || x > innerWidth || y < 0 || y > innerHeight) {
        trouble.push(`${name}: out of the screen at ${Math.round(x)}, ${Math.round(y)}`);
        continue;
      }
      const on = document.elementFromPoint(x, y);
      if (on && !control.contains(on) && !on.contains(control) && on.closest("label")?.control !== control)
        trouble.push(`${name}: under ${on.tagName} ${on.className.toString().slice(0, 60)}`);
    }
    return trouble;
  });

/** Controls smaller than 44 px; a link within a sentence may be. */
const small = (): Promise<string[]> =>
  page.evaluate(() => {
    const found: string[] = [];
    const all = document.querySelectorAll<HTMLElement>(
      "a[href], button, summary, select, input:not([type=hidden])",
    );
    for (const control of all) {
      if (!control.checkVisibility() || control.closest(".sr-only") || control.classList.contains("sr-only"))
        continue;
      const target = control.closest("label") ?? control;
      const box = target.getBoundingClientRect();
      if (box.width <= 1) continue;
      const isInSentence = control.tagName === "A" && getComputedStyle(control).display === "inline";
      if (!isInSentence && (box.height < 44 || box.width < 44))
        found.push(
          `${control.tagName} ${(control.textContent ?? "").trim().slice(0, 40)} ${Math.round(box.width)}×${Math.round(box.height)}`,
        );
    }
    return found;
  });

describe.each(DEVICES)("on %s", (_, sizes) => {
  beforeAll(async () => {
    page = await application.signedIn("tobin", sizes[0]);
  });
  afterAll(() => page.browserContext().close());

  it.each(shown)(
    "$name: nothing that has the focus is hidden, nothing is out of reach, and targets are 44 px and up",
    async ({ path }) => {
      await page.setViewport(sizes[0]);
      await application.go(page, path);
      for (const size of sizes) {
        await page.setViewport(size);
        const where = `${size.width} × ${size.height}`;
        expect(await hidden(), where).toEqual([]);
        const sideways = await page.evaluate(
          () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
        );
        expect(sideways, where).toBeLessThanOrEqual(0);
        expect(await small(), where).toEqual([]);
        if (size.width === NARROWEST_PX) expect(await violations(page), where).toEqual([]);
      }
    },
  );

  it("units, theme, keys and signing out are within reach", async () => {
    await application.go(page, "/");
    for (const size of sizes) {
      await page.setViewport(size);
      const more = await page.$("::-p-aria(More)");
      if (await more?.evaluate((button) => button.checkVisibility())) await tap(page, "More");
      for (const name of ["°C · L: change units", "Keys", "Tobin: sign out"]) {
        const control = await page.waitForSelector(`::-p-aria(${name})`, { visible: true });
        const box = await control?.boundingBox();
        expect(box && box.y >= 0 && box.y + box.height <= size.height, name).toBe(true);
      }
      await page.keyboard.press("Escape");
    }
  });
});

describe("at 320 px, which is 400 % of a desk", () => {
  beforeAll(async () => {
    page = await application.signedIn("tobin");
  });

  it.each(others)("$name: nobody is shut out, nothing runs out sideways", async ({ name, path }) => {
    const narrow = { width: NARROWEST_PX, height: 256 };
    const at = name === "sign-in" ? await application.visit(narrow) : page;
    await at.setViewport(narrow);
    await application.go(at, path);
    const sideways = await at.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    );
    expect(sideways).toBeLessThanOrEqual(0);
    expect(await violations(at)).toEqual([]);
  });
});

describe("on a desk", () => {
  it("targets are 44 px and up as well, the times in the book included", async () => {
    page = await application.signedIn("tobin");
    for (const { path, name } of shown) {
      await application.go(page, path);
      expect(await small(), name).toEqual([]);
    }
  });

  it("the first answer of a test is on the first screen of a phone", async () => {
    await page.setViewport(PHONE);
    await application.go(page, `/jobs/${jobId("open-find")}/find`);
    const answer = await page.waitForSelector('section[aria-labelledby="next-test"] .grid button');
    const handle = await page.waitForSelector("::-p-xpath(//button[span[text()='Book']])");
    const [box, bar] = [await answer?.boundingBox(), await handle?.boundingBox()];
    expect((box?.y ?? 0) + (box?.height ?? 0)).toBeLessThanOrEqual(bar?.y ?? 0);
  });
});

describe("text", () => {
  it("follows the browser's own size", async () => {
    const size = () => page.evaluate(() => Number.parseFloat(getComputedStyle(document.body).fontSize));
    await expect.poll(() => size()).toBeCloseTo(17, 1);
    const cdp = await page.createCDPSession();
    await cdp.send("Page.setFontSizes", { fontSizes: { standard: 32 } });
    await application.go(page, "/");
    await expect.poll(() => size()).toBeCloseTo(34, 1);
    await cdp.detach();
  });
});
