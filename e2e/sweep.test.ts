import type { Page } from "puppeteer-core";
import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { STAGES } from "../core/book/entry/index.ts";
import { jobId } from "../demo/seed.ts";
import { Application, DESKTOP, PHONE, settled } from "./support/application.ts";
import { violations } from "./support/axe.ts";
import { SCREENS } from "./support/screens.ts";
import { openTool, pictureOfFailure, tap, unfold } from "./support/walk.ts";

/**
 * Each screen is loaded once; every width, zoom, theme and rule is tried on it by changing the window. The narrow ones are
 * a phone upright, lying and with its keyboard up, then a desk of 1280 × 1024 at 200 and 400 %.
 */
const NARROWEST = { width: 320, height: 256 };
const WINDOWS = [
  { width: 390, height: 844 },
  { width: 844, height: 390 },
  { width: 390, height: 420 },
  { width: 640, height: 400 },
  NARROWEST,
];

let application: Application;
let visitor: Page;
let page: Page;
beforeAll(async () => {
  application = await Application.open();
  visitor = await application.visit();
  page = await application.signedIn("maren");
});
afterAll(() => application.close());
afterEach(({ task }) => pictureOfFailure(page, task));

/** Every control of the page that, with the focus on it, can't be seen or tapped at its middle, and why. */
const hidden = (page: Page): Promise<string[]> =>
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
const small = (page: Page): Promise<string[]> =>
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

/** Where what is in hand ends, and how often what scrolls would fill its window. */
const measured = (page: Page) =>
  page.evaluate(() => {
    const hand = document.querySelector("[data-in-hand]")?.getBoundingClientRect();
    const work = document.querySelector('section[aria-label="Work"]');
    const doesWorkScroll = work !== null && getComputedStyle(work).overflowY === "auto";
    const scrolls = doesWorkScroll ? work : document.documentElement;
    return {
      isWhole: !hand || (hand.top >= 0 && hand.bottom <= window.innerHeight),
      windows: scrolls.scrollHeight / scrolls.clientHeight,
      isWide: document.documentElement.scrollWidth > window.innerWidth,
    };
  });

const sideways = (of: Page): Promise<number> =>
  of.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);

/** What a theme is told by: the page's own mark, or what the system says. */
async function themed(of: Page, work: () => Promise<void>): Promise<void> {
  const cdp = await of.createCDPSession();
  for (const feature of [
    { name: "prefers-color-scheme", value: "dark" },
    { name: "forced-colors", value: "active" },
  ]) {
    await cdp.send("Emulation.setEmulatedMedia", { features: [feature] });
    await drawn(of);
    await work();
  }
  await cdp.send("Emulation.setEmulatedMedia", { features: [] });
  await cdp.detach();
}

/** Once the page has been drawn as it is now, whatever moved to get there. */
const drawn = (of: Page): Promise<void> =>
  of.evaluate(async () => {
    await new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve)));
    await Promise.all(document.getAnimations().map(({ finished }) => finished.catch(() => undefined)));
  });

/** What is opened on which screen before the rules are run, one after the other. */
type Opening = [what: string, open: (of: Page) => Promise<unknown>];
const OPENED: Record<string, Opening[]> = {
  find: [
    ["the list of keys", (of) => tap(of, "Keys")],
    [
      "every reason and detail of Find",
      (of) =>
        of.$$eval("details", (all) => {
          for (const each of all) each.open = true;
        }),
    ],
  ],
  build: [
    ["what the job waits for", (of) => of.locator("header button").click()],
    ["the book's search", (of) => tap(of, "Find in the book")],
    ["a line of the book", async (of) => (await of.$("aside [data-row]"))?.click()],
  ],
  strip: [["a line that can't be read", (of) => of.locator("[data-entry-line]").fill("out 3 m6x20 arbox")]],
  "add-vehicle": [["a refused form", (of) => tap(of, "Write it down")]],
  plan: [
    [
      "a refused part",
      async (of) => {
        await openTool(of, "Another part");
        await unfold(of, "By name");
        await tap(of, "Choose it");
      },
    ],
  ],
};

/** A desk, a tablet lying, a phone. */
const DEVICES = [DESKTOP, { width: 1024, height: 768 }, { width: 390, height: 844 }];

describe("a stage as it opens", () => {
  it.each(["open-find", "open-plan", "open-build", "open-prove", "open-fill"])(
    "shows what is in hand whole and is no longer than two windows, on a desk, a tablet lying and a phone: %s",
    async (key) => {
      const found: string[] = [];
      await page.setViewport(DESKTOP);
      await application.go(page, `/jobs/${jobId(key)}/ask`);
      for (const stage of STAGES) {
        await page.setViewport(DESKTOP);
        await page.locator(`nav[aria-label="Stages"] a[href$="/${stage}"]`).click();
        await page.waitForFunction((end) => location.pathname.endsWith(end), {}, `/${stage}`);
        await settled(page);
        for (const size of DEVICES) {
          await page.setViewport(size);
          await drawn(page);
          const { isWhole, windows, isWide } = await measured(page);
          if (!isWhole || isWide || windows > 2)
            found.push(`${stage} at ${size.width}: ${windows.toFixed(2)} windows`);
        }
      }
      expect(found, found.join("; ")).toEqual([]);
    },
  );
});

describe("a page that comes slowly", () => {
  it.each([
    ["ask", "open-find"],
    ["find", "open-find"],
    ["plan", "open-build"],
    ["fill", "open-prove"],
    ["prove", "open-prove"],
  ])("of %s stands still: no second scroll bar, nothing that jumps", async (stage, key) => {
    const steady = await application.another(page);
    // Painted before the whole of it is there.
    await steady.emulateCPUThrottling(4);
    await steady.evaluateOnNewDocument(() => {
      const shifts = { sum: 0 };
      Object.assign(window, { shifts });
      new PerformanceObserver((list) => {
        for (const entry of list.getEntries() as (PerformanceEntry & {
          value: number;
          hadRecentInput: boolean;
        })[])
          if (!entry.hadRecentInput) shifts.sum += entry.value;
      }).observe({ type: "layout-shift", buffered: true });
    });
    await application.go(steady, `/jobs/${jobId(key)}/${stage}`);
    if (stage === "prove") await steady.waitForSelector("[data-proof]");
    await drawn(steady);
    const { height, shift } = await steady.evaluate(() => ({
      height: document.documentElement.scrollHeight - window.innerHeight,
      shift: (window as unknown as { shifts: { sum: number } }).shifts.sum,
    }));
    await steady.close();
    expect(height).toBe(0);
    expect(shift).toBeLessThan(0.05);
  });
});

describe("on a phone", () => {
  it("the places behind More and the stages are in reach and shut nobody out", async () => {
    await page.setViewport(NARROWEST);
    await application.go(page, "/");
    await tap(page, "More");
    for (const name of ["°C · L: change units", "Keys", "Maren: sign out"]) {
      const control = await page.waitForSelector(`::-p-aria(${name})`, { visible: true });
      const box = await control?.boundingBox();
      expect(box && box.y >= 0 && box.y + box.height <= NARROWEST.height, name).toBe(true);
    }
    expect(await violations(page)).toEqual([]);
    await page.keyboard.press("Escape");
    await page.setViewport(PHONE);
    await application.go(page, `/jobs/${jobId("open-find")}/find`);
    await page.locator('nav[aria-label="Stages"] button').click();
    expect(await violations(page)).toEqual([]);
    await page.keyboard.press("Escape");
    // The first answer of a test is on the first screen.
    const answer = await page.waitForSelector('section[aria-labelledby="next-test"] .grid button');
    const handle = await page.waitForSelector("::-p-xpath(//button[span[text()='Book']])");
    const [box, bar] = [await answer?.boundingBox(), await handle?.boundingBox()];
    expect((box?.y ?? 0) + (box?.height ?? 0)).toBeLessThanOrEqual(bar?.y ?? 0);
  });
});

describe("how it looks", () => {
  it("the dim bay comes on by its button, stays over a reload, and goes again; text follows the browser's own size", async () => {
    // In a browser of its own: the others are left to what the system says, by which the themes are tried.
    const page = await application.signedIn("ilse");
    await application.go(page, "/shelf");
    const size = () => page.evaluate(() => Number.parseFloat(getComputedStyle(document.body).fontSize));
    expect(await size()).toBeCloseTo(17, 1);
    await tap(page, "Dim bay");
    await page.waitForSelector('html[data-theme="dim"]');
    await tap(page, "Daylight");
    await page.waitForSelector('html[data-theme="day"]');
    // By its cookie: what is on screen comes before it.
    const kept = async () => {
      const value = (await page.cookies()).find(({ name }) => name === "preferences")?.value ?? "";
      return Buffer.from(decodeURIComponent(value), "base64").toString();
    };
    await expect.poll(kept).toContain("day");
    await tap(page, "Dim bay");
    await page.waitForSelector('html[data-theme="dim"]');
    await expect.poll(kept).toContain("dim");
    const cdp = await page.createCDPSession();
    await cdp.send("Page.setFontSizes", { fontSizes: { standard: 32 } });
    await page.reload();
    await page.waitForSelector('html[data-theme="dim"]');
    await expect.poll(size).toBeCloseTo(34, 1);
    await page.browserContext().close();
  });
});

// What a screen is filled with before the rules are run changes its job: so they come last.
describe("every screen, loaded once", () => {
  it.each(SCREENS)(
    "$name: reached, seen, wide enough and told, in every window and theme",
    async (screen) => {
      const { name, path, before } = screen;
      const of = name === "sign-in" ? visitor : page;
      await of.setViewport(DESKTOP);
      await application.go(of, path);
      expect(await sideways(of)).toBeLessThanOrEqual(0);
      expect(await small(of), "targets on a desk").toEqual([]);
      for (const size of WINDOWS) {
        await of.setViewport(size);
        const where = `${size.width} × ${size.height}`;
        expect(await sideways(of), where).toBeLessThanOrEqual(0);
        if (name === "sign-in") continue;
        expect(await hidden(of), where).toEqual([]);
        expect(await small(of), where).toEqual([]);
      }
      expect(await violations(of), "at 400 %").toEqual([]);
      await of.setViewport(DESKTOP);
      await before?.(of, application);
      expect(await violations(of)).toEqual([]);
      await themed(of, async () => expect(await violations(of, "colours")).toEqual([]));
      for (const [what, open] of OPENED[name] ?? []) {
        await open(of);
        await drawn(of);
        expect(await violations(of), what).toEqual([]);
        await themed(of, async () => expect(await violations(of, "colours"), what).toEqual([]));
        await of.keyboard.press("Escape");
      }
    },
  );
});
