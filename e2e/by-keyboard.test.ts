import type { Page } from "puppeteer-core";
import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { demoId } from "../demo/story.ts";
import { Application, settled } from "./support/application.ts";
import { allSent, bookWords, pictureOfFailure, pressNext, seen } from "./support/walk.ts";

let application: Application;
let page: Page;
beforeAll(async () => {
  application = await Application.open();
});
afterAll(() => application.close());
afterEach(({ task }) => pictureOfFailure(page, task));

const MOST_TABS = 120;
const MOST_PEOPLE = 10;

/** The name and role of what has the focus, as a screen reader says them; nothing while it is being drawn anew. */
const focused = (on: Page): Promise<string> => read(on).catch(() => "");

async function read(on: Page): Promise<string> {
  const cdp = await on.createCDPSession();
  try {
    const { result } = await cdp.send("Runtime.evaluate", { expression: "document.activeElement" });
    const { nodes } = await cdp.send("Accessibility.getPartialAXTree", {
      objectId: result.objectId,
      fetchRelatives: false,
    });
    return `${nodes[0]?.role?.value ?? ""}: ${nodes[0]?.name?.value ?? ""}`;
  } finally {
    await cdp.detach();
  }
}

/** Goes on with Tab until what is wanted has the focus; nothing else is touched. */
async function tabTo(on: Page, wanted: string): Promise<void> {
  for (let tab = 0; tab < MOST_TABS; tab++) {
    if ((await focused(on)) === wanted) return;
    await on.keyboard.press("Tab");
  }
  throw new Error(`no “${wanted}” within ${MOST_TABS} tabs`);
}

/** Presses a button once it takes a press: what has just come up rests. */
async function press(on: Page, wanted: string, key: "Enter" | "Space" = "Enter"): Promise<void> {
  await tabTo(on, wanted);
  await on.waitForFunction(() => !document.activeElement?.closest("[data-rests]"));
  await on.keyboard.press(key);
}

async function toWork(on: Page): Promise<void> {
  await on.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await on.$eval("[data-stage-heading]", (heading) => (heading as HTMLElement).focus());
}

const at = (on: Page, stage: string) =>
  on.waitForFunction((end) => location.pathname.endsWith(end), {}, `/${stage}`);

describe("a whole job, by keyboard alone", () => {
  it("from signing in to signed", async () => {
    page = await application.visit();
    await settled(page);
    await page.keyboard.press("Tab");
    for (let down = 0; down < MOST_PEOPLE && !(await focused(page)).startsWith("radio: Tobin Askel"); down++)
      await page.keyboard.press("ArrowDown");
    await page.keyboard.press("Enter");
    await expect.poll(() => focused(page)).toBe("textbox: PIN of Tobin");
    await page.keyboard.type("3141");
    await page.keyboard.press("Enter");
    await page.waitForSelector('nav[aria-label="Places"]');
    await settled(page);

    await page.keyboard.press("k");
    await page.waitForSelector("#find");
    await page.keyboard.type("5508");
    await seen(page, "One vehicle");
    await page.keyboard.press("ArrowDown");
    await page.keyboard.press("Enter");
    await seen(page, "Cooling card");
    await settled(page);
    // One key goes to it; a job is opened by a second.
    await page.keyboard.press("n");
    await expect.poll(() => focused(page)).toBe("button: Open a job");
    expect(page.url()).toContain("/vehicles/");
    await page.keyboard.press("Enter");
    await at(page, "ask");

    await tabTo(page, "textbox: Complaint, in their words");
    await page.keyboard.type("Fan never heard");
    await press(page, "button: fan never runs", "Space");
    await press(page, "button: Book it");
    await seen(page, "In the book: Fan never heard");
    await allSent(page);

    await toWork(page);
    await page.keyboard.press("2");
    await at(page, "find");
    await seen(page, "Next test");
    await tabTo(page, "tab: Map");
    await page.keyboard.press("ArrowLeft");
    await tabTo(page, "textbox: In one sentence");
    await page.keyboard.type("Fan fuse blown");
    await press(page, "button: This is the fault");
    await seen(page, "Booked as the fault:");
    await allSent(page);

    await press(page, "button: The motor draws too much");
    await allSent(page);
    await toWork(page);
    await pressNext(page);
    await at(page, "plan");
    await press(page, "button: No parts needed");
    await allSent(page);
    await toWork(page);
    await page.keyboard.press("4");
    await at(page, "strip");
    // The stage says itself first; who types before that is ahead of the page.
    await page.waitForFunction(() => document.activeElement?.hasAttribute("data-stage-heading"));

    await page.keyboard.press("/");
    await page.keyboard.type("out undertray");
    await page.keyboard.press("Enter");
    await seen(page, "undertray still out");
    await page.keyboard.press("Escape");
    await toWork(page);
    await page.keyboard.press("5");
    await at(page, "build");
    await press(page, "button: undertray: is back");
    await seen(page, "all that came off is back");
    await allSent(page);

    await toWork(page);
    await page.keyboard.press("7");
    await at(page, "prove");
    await page.keyboard.press("/");
    await page.keyboard.type("level line");
    await page.keyboard.press("Enter");
    await allSent(page);
    await page.keyboard.press("Escape");
    await toWork(page);
    await page.keyboard.press("8");
    await at(page, "sign");
    await seen(page, "Everything is accounted for.");
    await press(page, "textbox: Why may it go like this?");
    await page.keyboard.type("fuse alone, the fan was heard at once");
    await press(page, "button: Sign the job");
    await page.waitForSelector('[role="alertdialog"]');
    await press(page, "button: Yes, sign the job");
    await seen(page, "Signed and locked");
    await expect
      .poll(async () => (await bookWords(page)).join("\n"))
      .toMatch(/Fan never heard[\s\S]*Fan fuse blown[\s\S]*Signed/);
  });
});

describe("a whole job, by role and name alone", () => {
  it("from Ask to signed", async () => {
    page = await application.signedIn("ilse");
    const named = (role: string, name: string) => page.locator(`::-p-aria([name="${name}"][role="${role}"])`);
    const tapNamed = async (role: string, name: string) => {
      const control = await page.waitForSelector(`::-p-aria([name="${name}"][role="${role}"])`);
      await page.waitForFunction((each) => !each?.closest("[data-rests]"), {}, control);
      await new Promise((resolve) => setTimeout(resolve, 1050));
      await named(role, name).click();
    };
    /** By the stages' own names; a count of what is open may stand behind one. */
    const toStage = async (name: string) => {
      await allSent(page);
      await page.locator(`nav[aria-label="Stages"] a::-p-text(${name})`).click();
    };
    await application.go(page, `/vehicles/${demoId("vehicle:drover")}`);
    await tapNamed("button", "Open a job");
    await at(page, "ask");
    await named("textbox", "Complaint, in their words").fill("Runs hot uphill");
    await named("textbox", "Distance").fill("201000");
    await tapNamed("button", "hot on the road");
    await tapNamed("radio", "half");
    await tapNamed("button", "Book it");
    await seen(page, "In the book: Runs hot uphill");
    await allSent(page);
    await tapNamed("link", "On to Find");
    await at(page, "find");
    await tapNamed("tab", "By hand");
    await named("textbox", "In one sentence").fill("Radiator blocked with chaff");
    await tapNamed("button", "This is the fault");
    await allSent(page);
    await tapNamed("link", "On to Plan");
    await at(page, "plan");
    await tapNamed("button", "No parts needed");
    await toStage("Strip");
    await at(page, "strip");
    await tapNamed("button", "shroud");
    await toStage("Build");
    await at(page, "build");
    await tapNamed("button", "shroud: is back");
    await toStage("Fill");
    await at(page, "fill");
    await tapNamed("button", "Write down what moved poured, drained, spilled");
    await named("textbox", "How much").fill("0.5");
    await tapNamed("button", "Book it");
    await allSent(page);
    await toStage("Prove");
    await at(page, "prove");
    await tapNamed("tab", "Cold check");
    await tapNamed("button", "Cold, at the line");
    await allSent(page);
    await toStage("Sign");
    await at(page, "sign");
    await named("textbox", "Why may it go like this?").fill("Half a litre was missing when it came");
    await tapNamed("button", "Sign with 1 open");
    await tapNamed("button", "Yes, sign with 1 open");
    await seen(page, "Signed and locked");
  });
});
