import { mkdirSync } from "node:fs";
import type { Page } from "puppeteer-core";
import { type Application, readAnew, settled } from "./application.ts";
import { heardBy } from "./heard.ts";
import { hoursPass } from "./hours-pass.ts";

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

/** After a slip, and where a tap went to what had moved under it, a person looks and taps again. */
const LOOK_AGAIN_MS = 1100;
const TRIES = 4;

type Way = "mouse" | "touch";

/** Clicks or touches the control with this name, as a person reading the screen would: not faster than it takes a tap. */
export const tap = (page: Page, name: string, way: Way = "mouse") => tapOn(page, `::-p-aria(${name})`, way);

/** The same by any selector. */
export async function tapOn(page: Page, selector: string, way: Way = "mouse"): Promise<void> {
  let last = "";
  for (let attempt = 0; attempt < TRIES; attempt++) {
    const control = await page.waitForSelector(selector);
    if (!control) continue;
    await page.waitForFunction(
      (element) => !element?.isConnected || !element.closest("[data-rests], :disabled"),
      {},
      control,
    );
    await control.evaluate((element) => element.scrollIntoView({ block: "center" }));
    const { heard, trouble } = await heardBy(page, control, () =>
      way === "touch" ? control.tap() : control.click(),
    );
    await control.dispose().catch(() => undefined);
    if (heard === "taken") return;
    last = `${trouble ?? heard}`;
    await new Promise((resolve) => setTimeout(resolve, LOOK_AGAIN_MS));
  }
  throw new Error(`“${selector}” takes no tap: ${last}`);
}

/** One of a stage's tools, by its name. */
export async function openTool(page: Page, name: string): Promise<void> {
  const tab = await page.waitForSelector(`[role="tab"]::-p-text(${name})`);
  await tab?.evaluate((each) => (each as HTMLElement).focus());
  await page.keyboard.press("Enter");
  await page.waitForFunction((each) => each?.getAttribute("aria-selected") === "true", {}, tab);
}

/** Whether what is folded behind this name is open; the focus is on its line then, or nothing where it isn't there. */
const isUnfolded = (page: Page, name: string) =>
  page.evaluate((wanted) => {
    const lines = [...document.querySelectorAll<HTMLElement>("main h3 button[aria-expanded]")];
    const line = lines.find((each) => each.textContent?.startsWith(wanted));
    line?.focus();
    return line?.getAttribute("aria-expanded");
  }, name);

/** Opens what stands folded behind one line, by its name; a stage's tools may be drawn anew as they come, and its line with them. */
export async function unfold(page: Page, name: string): Promise<void> {
  await page.waitForSelector(`main h3 button[aria-expanded] ::-p-text(${name})`);
  for (let turn = 0; turn < 20 && (await isUnfolded(page, name)) !== "true"; turn++) {
    await page.keyboard.press("Enter");
    await new Promise((resolve) => setTimeout(resolve, 250));
  }
  if ((await isUnfolded(page, name)) !== "true") throw new Error(`“${name}” doesn't open`);
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

export { hoursPass };

const NIGHT_H = 9;

/** Long enough for the slowest engine; the job's page is read anew. */
export async function aNight(application: Application, page: Page): Promise<void> {
  await allSent(page);
  await hoursPass(application, /jobs\/([^/]+)/.exec(page.url())?.[1] ?? "", NIGHT_H);
  await readAnew(page);
  await settled(page);
}

/** Sends lines as a page would, each of its own moment, to a job that is on this page's server. */
export async function sendLines(page: Page, job: string, lines: readonly object[]): Promise<void> {
  const status = await page.evaluate(
    async (path, drafts, from) => {
      const entries = drafts.map((draft, index) => ({
        stage: "strip",
        at: new Date(from + index).toISOString(),
        ...draft,
        id: crypto.randomUUID(),
      }));
      const headers = { "Content-Type": "application/json" };
      return (await fetch(path, { method: "POST", headers, body: JSON.stringify({ entries }) })).status;
    },
    `${job}/entries`,
    lines,
    Date.now() - lines.length,
  );
  if (status !== 200) throw new Error(`the lines were answered by ${status}`);
}
