import { mkdirSync } from "node:fs";
import type { Page } from "puppeteer-core";

/** Types a line into the book and books it with Enter, then waits until the server has it. */
export async function bookLine(page: Page, line: string): Promise<void> {
  const before = await bookedLines(page);
  await page.locator("[data-entry-line]").fill(line);
  await page.keyboard.press("Enter");
  await page.waitForFunction(
    (count) => document.querySelectorAll("aside [data-line]").length > count,
    {},
    before,
  );
  await allSent(page);
}

/** How many lines the book shows. */
export const bookedLines = (page: Page): Promise<number> =>
  page.$$eval("aside [data-line]", (lines) => lines.length);

/** The book's lines as they read. */
export const bookWords = (page: Page): Promise<string[]> =>
  page.$$eval("aside [data-line]", (lines) =>
    lines.map((line) => (line.textContent ?? "").replace(/\s+/g, " ").trim()),
  );

/** Waits until nothing in the book waits to be sent. */
export async function allSent(page: Page): Promise<void> {
  await page.waitForFunction(() => document.querySelectorAll("[data-unsent]").length === 0);
}

export const seen = (page: Page, text: string) =>
  page.waitForSelector(`::-p-text(${text})`, { visible: true });

const SLIP_MS = 1000;
const TRIES = 3;

/** Clicks the control with this name, as a person reading the screen would: not faster than it takes a tap. */
export async function tap(page: Page, name: string): Promise<void> {
  for (let attempt = 0; attempt < TRIES; attempt++) {
    const control = await page.waitForSelector(`::-p-aria(${name})`);
    await page.waitForFunction((element) => !element?.closest("[data-rests]"), {}, control);
    await page.locator(`::-p-aria(${name})`).click();
    const hasSlipped = await control
      ?.evaluate((element) => element.closest("[data-slipped]") !== null)
      .catch(() => false);
    if (!hasSlipped) return;
    await new Promise((resolve) => setTimeout(resolve, SLIP_MS));
  }
  throw new Error(`“${name}” takes no tap`);
}

/** The next step, by its key, once it takes one. */
export async function pressNext(page: Page): Promise<void> {
  await page.waitForSelector("[data-next]:not([data-rests])");
  await page.keyboard.press("n");
}

const REASON = '::-p-aria([name="Why may it go like this?"])';

/** Signs the job that is on screen: a reason where one is asked for and none is there, the button, and the question after it. */
export async function sign(page: Page, open = 0): Promise<void> {
  const reason = await page.$(REASON);
  if (reason && (await reason.evaluate((field) => (field as HTMLTextAreaElement).value)) === "")
    await page.locator(REASON).fill("the owner has to go and comes back tomorrow");
  await tap(page, open === 0 ? "Sign the job" : `Sign with ${open} open`);
  await tap(page, open === 0 ? "Yes, sign the job" : `Yes, sign with ${open} open`);
  await seen(page, "Signed and locked");
}

export const openBalance = (page: Page): Promise<string> =>
  page.$eval('aside [aria-label="Open balance"]', (section) => section.textContent ?? "");

/** What the screen showed when a test failed, in .local/reports. */
export async function pictureOfFailure(
  page: Page,
  task: { name: string; result?: { state?: string } },
): Promise<void> {
  if (task.result?.state !== "fail") return;
  mkdirSync(".local/reports", { recursive: true });
  const path = `.local/reports/${task.name.replace(/\W+/g, "-").slice(0, 60)}.png` as const;
  await page.screenshot({ path }).catch(() => undefined);
}

/** Types over whatever stands in a field, found by its name as a screen reader says it. */
export async function write(page: Page, label: string, text: string): Promise<void> {
  const field = await page.waitForSelector(`::-p-aria([name="${label}"][role="textbox"])`);
  await field?.evaluate((element) => element.scrollIntoView({ block: "center" }));
  await field?.click({ count: 3 });
  await page.keyboard.press("Backspace");
  await page.keyboard.type(text);
}
