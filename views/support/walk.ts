import { hoursPass } from "../../e2e/support/hours-pass.ts";
import type { Application } from "./application.ts";
import { find } from "./find.ts";
import type { ViewPage } from "./page.ts";

const words = (element: Element | null) => (element?.textContent ?? "").replace(/\s+/g, " ").trim();
const lines = () => [...document.querySelectorAll("aside [data-line]")];

/** How many lines the book shows. */
export const bookedLines = async (page: ViewPage): Promise<number> =>
  (await page.$$("aside [data-line]")).length;

/** The book's lines as they read. */
export const bookWords = async (page: ViewPage): Promise<string[]> =>
  page.$$eval("aside [data-line]", (all: Element[]) => all.map(words));

/** Waits until nothing in the book waits to be sent. */
export const allSent = (page: ViewPage): Promise<void> =>
  page.waitForFunction(() => document.querySelectorAll("[data-unsent]").length === 0);

/** Types a line into the book and books it with Enter, then waits until the server has it. */
export async function bookLine(page: ViewPage, line: string): Promise<void> {
  const before = await bookedLines(page);
  await page.locator("[data-entry-line]").fill(line);
  await page.keyboard.press("Enter");
  await page.waitForFunction(() => lines().length > before);
  await allSent(page);
}

export const seen = (page: ViewPage, text: string) => page.waitForSelector(`::-p-text(${text})`);

/** Taps the control with this name, once it takes a tap. */
export const tap = (page: ViewPage, name: string, _way?: string) =>
  page.locator(`::-p-aria(${name})`).click();

export const tapOn = (page: ViewPage, selector: string, _way?: string) => page.locator(selector).click();

/** Types over whatever stands in a field, found by its name as a screen reader says it. */
export const write = (page: ViewPage, label: string, text: string) =>
  page.locator(`::-p-aria([name="${label}"][role="textbox"])`).fill(text);

/** One of a stage's tools, by its name. */
export async function openTool(page: ViewPage, name: string): Promise<void> {
  const { element } = await page.waitForSelector(`[role="tab"]::-p-text(${name})`);
  (element as HTMLElement).focus();
  await page.keyboard.press("Enter");
  await page.waitForFunction(
    () => find(`[role="tab"]::-p-text(${name})`)?.getAttribute("aria-selected") === "true",
  );
}

/** Opens what stands folded behind one line, by its name. */
export async function unfold(page: ViewPage, name: string): Promise<void> {
  const line = () =>
    [...document.querySelectorAll<HTMLElement>("main h3 button[aria-expanded]")].find((each) =>
      each.textContent?.startsWith(name),
    );
  await page.waitForFunction(() => line() !== undefined);
  // A stage's tools may be drawn anew as they come, and its line with them.
  for (let turn = 0; turn < 5 && line()?.getAttribute("aria-expanded") !== "true"; turn++) {
    line()?.focus();
    await page.keyboard.press("Enter");
    await page.passes(200);
  }
  await page.waitForFunction(() => line()?.getAttribute("aria-expanded") === "true");
}

/** The next step, by its key, once it takes one. */
export async function pressNext(page: ViewPage): Promise<void> {
  await page.waitForSelector("[data-next]:not([data-rests])");
  await page.keyboard.press("n");
}

const REASON = '::-p-aria([name="Why may it go like this?"])';

/** Signs the job that is on screen: a reason where one is asked for and none is there, the button, and the question after it. */
export async function sign(page: ViewPage, open = 0): Promise<void> {
  const reason = find(REASON) as HTMLTextAreaElement | null;
  if (reason?.value === "") await page.locator(REASON).fill("the owner has to go and comes back tomorrow");
  await tap(page, open === 0 ? "Sign the job" : `Sign with ${open} open`);
  await tap(page, open === 0 ? "Yes, sign the job" : `Yes, sign with ${open} open`);
  await seen(page, "Signed and locked");
}

export const openBalance = (page: ViewPage): Promise<string> =>
  page.$eval('aside [aria-label="Open balance"]', (section: Element) => section.textContent ?? "");

const NIGHT_H = 9;

/** Long enough for the slowest engine; the job's page is read anew. */
export async function aNight(application: Application, page: ViewPage): Promise<void> {
  await allSent(page);
  await hoursPass(application, /jobs\/([^/]+)/.exec(page.url())?.[1] ?? "", NIGHT_H);
  await page.reload();
}

/** Reads the page on screen anew. */
export const readAnew = (page: ViewPage): Promise<void> => page.reload();

export { hoursPass };

/** Waits until the page has drawn what it was last told. */
export const settled = (page: ViewPage): Promise<void> => page.passes(0);
