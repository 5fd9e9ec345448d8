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

/** Clicks the control with this name, as a person reading the screen would. */
export const tap = (page: Page, name: string) => page.locator(`::-p-aria(${name})`).click();

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
