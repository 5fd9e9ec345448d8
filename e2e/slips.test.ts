import type { Page } from "puppeteer-core";
import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { jobId } from "../demo/seed.ts";
import { demoId } from "../demo/story.ts";
import { Application, PHONE, settled } from "./support/application.ts";
import { shownTest } from "./support/diagnose.ts";
import {
  allSent,
  bookedLines,
  bookLine,
  openBalance,
  pictureOfFailure,
  pressNext,
  seen,
  sign,
  tap,
} from "./support/walk.ts";

let application: Application;
let page: Page;
let empty: string;
beforeAll(async () => {
  application = await Application.open();
  page = await application.signedIn("tobin");
  await application.go(page, `/vehicles/${demoId("vehicle:finch")}`);
  await tap(page, "Open a job");
  await page.waitForFunction(() => location.pathname.endsWith("/ask"));
  empty = new URL(page.url()).pathname.replace("/ask", "");
});
afterAll(() => application.close());
afterEach(({ task }) => pictureOfFailure(page, task));

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const path = () => new URL(page.url()).pathname;
const title = () => page.$eval("[data-stage-heading]", (heading) => heading.textContent);

/** As a keyboard does it: the first press, then one after another while it is held. */
async function hold(key: "n" | "Enter" | "a", times = 25): Promise<void> {
  for (let press = 0; press < times; press++) {
    await page.keyboard.down(key);
    await pause(30);
  }
  await page.keyboard.up(key);
}

/** Two taps at one place, as fast as a gloved finger bounces. */
async function doubleTap(selector: string): Promise<void> {
  const control = await page.waitForSelector(selector);
  await page.waitForFunction((element) => !element?.hasAttribute("data-rests"), {}, control);
  await control?.evaluate((element) => element.scrollIntoView({ block: "nearest" }));
  const box = await control?.boundingBox();
  if (!box) throw new Error(`${selector} is nowhere`);
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.click(x, y);
  await pause(180);
  await page.mouse.click(x, y);
}

describe("nothing is signed by a slip", () => {
  it("n on Sign goes nowhere and signs nothing, pressed or held", async () => {
    await application.go(page, `${empty}/sign`);
    for (let press = 0; press < 4; press++) await page.keyboard.press("n");
    await hold("n");
    await pause(1200);
    await hold("n");
    expect(await title()).toBe("Do the books balance?");
  });

  it("an empty book can't be signed, and says what to do", async () => {
    await seen(page, "There is nothing to sign");
    const button = await page.waitForSelector("::-p-aria(Sign the job)");
    expect(await button?.evaluate((each) => (each as HTMLButtonElement).disabled)).toBe(true);
    const answer = await page.evaluate(async (job) => {
      const sent = { id: crypto.randomUUID(), reason: "", openSeen: [], openCount: 0 };
      const response = await fetch(`${job}/signature`, {
        method: "POST",
        headers: { "Content-Type": "application/json" },
        body: JSON.stringify(sent),
      });
      return { status: response.status, said: (await response.json()).refused?.message };
    }, empty);
    expect(answer).toEqual({ status: 422, said: expect.stringContaining("The book is empty") });
  });

  it("n held on Plan does what is in hand once, however long: with nothing typed it asks for it and books nothing", async () => {
    await application.go(page, `${empty}/plan`);
    await page.waitForSelector("[data-next]:not([data-rests])");
    await hold("n", 60);
    expect(path()).toBe(`${empty}/plan`);
    expect(await page.$eval("[data-in-hand]", (part) => part.textContent)).toContain("Fill this in first");
    expect(await page.$$("aside [data-line]")).toHaveLength(0);
  });

  it("a double tap on the next step goes one step", async () => {
    await application.go(page, `${empty}/ask`);
    await bookLine(page, "note looked at");
    await doubleTap("[data-next]");
    await page.waitForFunction(() => location.pathname.endsWith("/find"));
    await pause(300);
    expect(path()).toBe(`${empty}/find`);
    await application.go(page, `${empty}/sign`);
    expect(await title()).toBe("Do the books balance?");
    expect(await page.$('[role="alertdialog"]')).toBeNull();
  });

  it("a double tap on the sign button asks once, names what is missing, and signs nothing", async () => {
    await doubleTap("::-p-aria(Sign the job)");
    const dialog = await page.waitForSelector('[role="alertdialog"]');
    const said = (await dialog?.evaluate((each) => each.textContent)) ?? "";
    for (const words of ["no complaint", "no finding", "nothing proven"]) expect(said).toContain(words);
    await pause(300);
    expect(await page.$('[role="alertdialog"]')).not.toBeNull();
    expect(await page.evaluate(() => document.activeElement?.textContent)).toBe("Not yet");
    await hold("Enter", 3);
    await page.waitForFunction(() => !document.querySelector('[role="alertdialog"]'));
    await hold("Enter");
    expect(await title()).toBe("Do the books balance?");
    await page.keyboard.press("Escape");
    await page.waitForFunction(() => !document.querySelector('[role="alertdialog"]'));
  });

  it("and signs where it is meant, twice over", async () => {
    await sign(page);
  });
});

describe("nothing is opened or booked by a slip", () => {
  it("a double tap on a line of the book opens it and strikes nothing", async () => {
    await application.go(page, `/jobs/${jobId("open-build")}/build`);
    const before = await bookedLines(page);
    await doubleTap("aside [data-line]:last-of-type td:first-child button");
    await pause(400);
    expect(await bookedLines(page)).toBe(before);
    await page.keyboard.press("Escape");
  });

  it("a double tap on what is back takes one thing back, not what comes up in its place", async () => {
    await application.go(page, `/jobs/${jobId("open-build")}/strip`);
    await bookLine(page, "out shroud");
    await bookLine(page, "out airbox");
    await application.go(page, `/jobs/${jobId("open-build")}/build`);
    const before = await bookedLines(page);
    await doubleTap('section[aria-labelledby="now"] li button:last-of-type');
    await allSent(page);
    await pause(400);
    expect(await bookedLines(page)).toBe(before + 1);
  });

  it("a held answer key answers one test", async () => {
    await application.go(page, `/jobs/${jobId("open-find")}/find`);
    await shownTest(page);
    const before = await bookedLines(page);
    await pressNext(page);
    await hold("a", 80);
    await allSent(page);
    expect(await bookedLines(page)).toBe(before + 1);
    await tap(page, "Undo");
    await allSent(page);
  });

  it("undo of a slip is one tap", async () => {
    await application.go(page, `/jobs/${jobId("open-build")}/strip`);
    const before = await openBalance(page);
    await tap(page, "right fan plug");
    await page.waitForFunction(
      (was) => document.querySelector('aside [aria-label="Open balance"]')?.textContent !== was,
      {},
      before,
    );
    await tap(page, "Undo");
    await page.waitForFunction(
      (was) => document.querySelector('aside [aria-label="Open balance"]')?.textContent === was,
      {},
      before,
    );
    await allSent(page);
  });
});

describe("single keys", () => {
  const focusOn = (selector: string) => page.$eval(selector, (each) => (each as HTMLElement).focus());

  it("answer a test only while focus is in its card", async () => {
    await application.go(page, `/jobs/${jobId("open-find")}/find`);
    await shownTest(page);
    const before = await bookedLines(page);
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    for (const key of ["a", "s", "z", "x"]) await page.keyboard.press(key as "a");
    await focusOn('nav[aria-label="Stages"] a');
    await page.keyboard.press("a");
    await pause(200);
    expect(await bookedLines(page)).toBe(before);
  });

  it("do nothing behind a dialog, a popover or an open menu", async () => {
    const before = await bookedLines(page);
    await focusOn("#next-test");
    await page.keyboard.press("?");
    await page.waitForSelector('[role="dialog"]');
    for (const key of ["a", "n", "5", "u"]) await page.keyboard.press(key as "a");
    expect(path()).toMatch(/find$/);
    await page.keyboard.press("Escape");
    await page.waitForFunction(() => !document.querySelector('[role="dialog"]'));
    await page.waitForFunction(() => document.activeElement?.id === "next-test");
    await page.locator("header button").click();
    await page.waitForSelector("::-p-aria(What the job waits for)");
    for (const key of ["a", "5"]) await page.keyboard.press(key as "a");
    expect(path()).toMatch(/find$/);
    await page.keyboard.press("Escape");
    await pause(200);
    expect(await bookedLines(page)).toBe(before);
  });

  it("after g go to a place and book nothing", async () => {
    const before = await bookedLines(page);
    await focusOn("#next-test");
    await page.keyboard.press("g");
    await page.keyboard.press("a");
    await page.keyboard.press("g");
    await page.keyboard.press("d");
    await pause(200);
    expect(await bookedLines(page)).toBe(before);
    await focusOn("#next-test");
    await page.keyboard.press("g");
    await page.keyboard.press("s");
    await page.waitForFunction(() => location.pathname === "/shelf");
    await application.go(page, `/jobs/${jobId("open-find")}/find`);
    expect(await bookedLines(page)).toBe(before);
  });

  it("are all listed behind ?, those of the test card with them", async () => {
    await shownTest(page);
    await page.keyboard.press("?");
    const dialog = await page.waitForSelector('[role="dialog"]');
    const said = (await dialog?.evaluate((each) => each.textContent)) ?? "";
    for (const words of [
      "the entry line",
      "a stage",
      "the next step",
      "The test card",
      "not sure",
      "no tool",
    ])
      expect(said).toContain(words);
    await page.keyboard.press("Escape");
  });

  it("can be moved to Alt or turned off, for one person wherever they sign in", async () => {
    const choose = async (way: string) => {
      await tap(page, "Keys");
      await tap(page, way);
      await page.waitForSelector(`[role="dialog"] [data-state="on"]::-p-text(${way})`);
      await page.keyboard.press("Escape");
      await page.waitForFunction(() => !document.querySelector('[role="dialog"]'));
      await settled(page);
    };
    await choose("With Alt held");
    await page.keyboard.press("5");
    await pause(200);
    expect(path()).toMatch(/find$/);
    await page.keyboard.down("Alt");
    await page.keyboard.press("5");
    await page.keyboard.up("Alt");
    await page.waitForFunction(() => location.pathname.endsWith("/build"));
    await choose("Off");
    await page.keyboard.press("2");
    await pause(200);
    expect(path()).toMatch(/build$/);
    const again = await application.signedIn("tobin");
    await application.go(again, `/jobs/${jobId("open-find")}/build`);
    await again.keyboard.press("2");
    await pause(200);
    expect(new URL(again.url()).pathname).toMatch(/build$/);
    await again.browserContext().close();
    const ilse = await application.signedIn("ilse");
    await application.go(ilse, `/jobs/${jobId("open-find")}/build`);
    await ilse.keyboard.press("2");
    await ilse.waitForFunction(() => location.pathname.endsWith("/find"));
    await ilse.browserContext().close();
    await choose("By themselves");
  });

  it("/ puts the cursor in the entry line on a phone too", async () => {
    const phone = await application.signedIn("ilse", PHONE);
    await application.go(phone, `/jobs/${jobId("open-find")}/find`);
    await phone.keyboard.press("/");
    await phone.waitForSelector('[role="dialog"]');
    await phone.waitForFunction(() => document.activeElement?.hasAttribute("data-entry-line"));
    await phone.browserContext().close();
  });
});

describe("lists by keyboard", () => {
  it("arrows choose a name and stay, Enter goes on to its PIN", async () => {
    const visitor = await application.visit();
    await settled(visitor);
    await visitor.keyboard.press("Tab");
    await visitor.keyboard.press("ArrowDown");
    await visitor.keyboard.press("ArrowDown");
    const chosen = await visitor.evaluate(() => ({
      type: (document.activeElement as HTMLInputElement).type,
      isChosen: (document.activeElement as HTMLInputElement).checked,
    }));
    expect(chosen).toEqual({ type: "radio", isChosen: true });
    await visitor.keyboard.press("Enter");
    expect(await visitor.evaluate(() => (document.activeElement as HTMLInputElement).name)).toBe("pin");
    await visitor.browserContext().close();
  });

  it("arrows go along the stages, Enter opens one", async () => {
    await application.go(page, `/jobs/${jobId("open-find")}/find`);
    await page.$eval('nav[aria-label="Stages"] a', (link) => link.focus());
    await page.keyboard.press("ArrowRight");
    await page.keyboard.press("ArrowRight");
    expect(path()).toMatch(/find$/);
    await page.keyboard.press("Enter");
    await page.waitForFunction(() => location.pathname.endsWith("/plan"));
    await page.waitForFunction(() => document.activeElement?.hasAttribute("data-stage-heading"));
  });

  it("a line begun while the stage is still on its way is not taken for keys", async () => {
    await application.go(page, `/jobs/${jobId("open-find")}/find`);
    await page.$eval("[data-stage-heading]", (heading) => (heading as HTMLElement).focus());
    // At once, as quick hands do: before the stage that was gone to is drawn.
    await page.evaluate(() => {
      const press = (key: string) =>
        document.activeElement?.dispatchEvent(
          new KeyboardEvent("keydown", { key, bubbles: true, cancelable: true }),
        );
      press("4");
      press("/");
    });
    await page.waitForFunction(() => location.pathname.endsWith("/strip"));
    await page.waitForFunction(() =>
      document.querySelector('nav[aria-label="Stages"] [aria-current]')?.textContent?.startsWith("Strip"),
    );
    await page.keyboard.type("note under the tray");
    expect(await page.$eval("[data-entry-line]", (line) => (line as HTMLInputElement).value)).toBe(
      "note under the tray",
    );
    await page.keyboard.press("Escape");
  });

  it("accepting a part by keyboard leads on: never to the page's body, never to what takes it back", async () => {
    await application.go(page, `/jobs/${jobId("open-plan")}/plan`);
    const chips = '[aria-label^="Looked at"] button';
    await page.waitForSelector(chips);
    for (let chip = 0; chip < (await page.$$(chips)).length; chip++) {
      await page.evaluate((all, at) => document.querySelectorAll<HTMLElement>(all)[at]?.focus(), chips, chip);
      await page.keyboard.press("Enter");
      expect(await page.evaluate(() => document.activeElement?.getAttribute("data-state"))).toBe("on");
    }
    const accept = await page.waitForSelector("::-p-aria(Accept it: here, out of the box, undamaged)");
    await accept?.focus();
    await page.keyboard.press("Enter");
    await allSent(page);
    await page.waitForFunction((button) => !button?.isConnected, {}, accept);
    const at = () => page.evaluate(() => document.activeElement?.textContent ?? "");
    await page.waitForFunction(() => document.activeElement !== document.body);
    expect(await at()).not.toMatch(/Not this one|Refuse|Take it back|Undo/);
  });

  it("a phone's list of stages opens, is gone through by arrows, and goes on Enter alone", async () => {
    const phone = await application.signedIn("ilse", PHONE);
    await application.go(phone, `/jobs/${jobId("open-find")}/find`);
    await phone.$eval('nav[aria-label="Stages"] button', (button) => button.focus());
    await phone.keyboard.press("Enter");
    await phone.waitForSelector('[role="dialog"][aria-label="Stages"]');
    const isOn = (stage: string) =>
      phone.waitForFunction((name) => document.activeElement?.textContent?.startsWith(name), {}, stage);
    await isOn("Ask");
    await phone.keyboard.press("ArrowDown");
    await isOn("Find");
    await phone.keyboard.press("ArrowDown");
    await isOn("Plan");
    expect(new URL(phone.url()).pathname).toMatch(/find$/);
    await phone.keyboard.press("Enter");
    await phone.waitForFunction(() => location.pathname.endsWith("/plan"));
    await phone.browserContext().close();
  });
});
