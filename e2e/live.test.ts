import type { Page } from "puppeteer-core";
import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { portCars } from "../demo/port-cars.ts";
import { jobId } from "../demo/seed.ts";
import { type Adapter, startAdapter } from "../stand-ins/scan-adapter/adapter.ts";
import { Application, readAnew, TABLET } from "./support/application.ts";
import { violations } from "./support/axe.ts";
import { allSent, bookWords, pictureOfFailure, seen, tap } from "./support/walk.ts";

const JOB = `/jobs/${jobId("open-plan")}`;

let application: Application;
let adapter: Adapter;
let page: Page;
beforeAll(async () => {
  application = await Application.open();
  adapter = await startAdapter({ cars: portCars(), delayMs: [1, 6] });
  await application.scratch.owner.sequelize.query(
    "UPDATE shops SET adapter = jsonb_set(adapter, '{port}', to_jsonb($1::int))",
    { bind: [adapter.port] },
  );
  page = await application.signedIn("maren");
});
afterAll(async () => {
  await application.close();
  await adapter.close();
});
afterEach(({ task }) => pictureOfFailure(page, task));

/** The large figure, °C; nothing where it shows none. */
const coolant = (of: Page) =>
  of.evaluate(() => {
    const term = [...document.querySelectorAll("dt")].find((each) => each.textContent?.startsWith("Coolant"));
    const figure = /-?\d+/.exec(term?.nextElementSibling?.textContent ?? "")?.[0];
    return figure === undefined ? undefined : Number(figure);
  });
const hotterThan = (of: Page, celsius: number) =>
  expect.poll(async () => ((await coolant(of)) ?? -99) > celsius, { timeout: 60_000 }).toBe(true);

/** By its name and Enter alone. */
async function press(of: Page, name: string): Promise<void> {
  const control = await of.waitForSelector(`::-p-aria(${name})`);
  await control?.focus();
  await of.keyboard.press("Enter");
}

describe("a live log", () => {
  it("is begun by keys, grows with its figures large, and takes what is heard by a key", async () => {
    await application.go(page, `${JOB}/prove`);
    await press(page, "Live log");
    await page.waitForSelector("::-p-aria(What stands in for the car)");
    await page.locator("::-p-aria(What stands in for the car)").fill("car wayfarer pace 60");
    await press(page, "Begin the log");
    await hotterThan(page, 24);
    await seen(page, "Let it warm");
    // Focus is nowhere in particular.
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    await page.keyboard.press("t");
    await page.waitForSelector('ul[aria-label="Said so far"] li::-p-text(upper hose hot)');
    await page.keyboard.press("x");
    await page.waitForSelector("::-p-aria(Take it back: no fan)");
    await press(page, "Take it back: no fan");
    await page.waitForFunction(() => !document.querySelector('[aria-label="Take it back: no fan"]'));
    expect((await violations(page)).join("\n")).toBe("");
  });

  const partsWith = async (words: string) =>
    (
      await application.scratch.owner.sequelize.query(
        "SELECT 1 FROM live_log_parts WHERE samples::text LIKE '%' || $1 || '%'",
        { bind: [words] },
      )
    )[0].length;
  const partsWritten = () => partsWith("");
  const written = (words: string) => expect.poll(() => partsWith(words)).toBeGreaterThan(0);

  it("goes on through a reload, an adapter that is pulled, and a server that is killed, with one engine behind it", async () => {
    const before = (await coolant(page)) ?? 0;
    adapter.drop();
    await readAnew(page);
    await hotterThan(page, before + 8);
    // By what is written, however far behind the page is: a gap, then readings behind it, since two gaps in one have one reason.
    await written("nothing read for");
    const parts = await partsWritten();
    await expect.poll(partsWritten).toBeGreaterThan(parts);
    await application.kill();
    await application.start();
    await readAnew(page);
    await written("The process that read it was gone");
    await hotterThan(page, before + 8);
    expect(await page.$('ul[aria-label="Said so far"] li')).not.toBeNull();
  });

  it("is watched by a second person on Find, who marks it by touch", async () => {
    const tablet = await application.signedIn("tobin", TABLET);
    await application.go(tablet, `${JOB}/find`);
    await tap(tablet, "Live log", "touch");
    await hotterThan(tablet, 50);
    await (await tablet.waitForSelector("button::-p-text(fan low on)"))?.tap();
    await page.waitForSelector('ul[aria-label="Said so far"] li::-p-text(Tobin Askel)');
    expect(await tablet.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(
      TABLET.width,
    );
    await tablet.browserContext().close();
  });

  it("reads codes, and refuses a signature over it", async () => {
    await tap(page, "Read codes");
    await seen(page, "No codes are noted.");
    await tap(page, "Command the fan");
    await seen(page, "this car takes no such command");
  });

  it("is stopped and kept, with its gaps and marks in its file", async () => {
    const other = await application.signedIn("tobin", TABLET);
    await application.go(other, `${JOB}/prove`);
    await tap(other, "Live log", "touch");
    await seen(other, "Stop the log");
    await tap(page, "Stop the log");
    // So late that both have seen it end.
    await seen(other, "Keep it in the book");
    await tap(page, "Keep it in the book");
    // Whoever watches it sees that it is gone, and no end of asking.
    await other.waitForSelector("::-p-aria(Begin the log)");
    await other.browserContext().close();
    await page.waitForSelector("::-p-aria(Begin the log)");
    await allSent(page);
    await expect
      .poll(async () => (await bookWords(page)).some((words) => /Warm-up log: /.test(words)))
      .toBe(true);
    const [rows] = (await application.scratch.owner.sequelize.query(
      "SELECT id FROM logs ORDER BY created_at DESC LIMIT 1",
    )) as [{ id: string }[], unknown];
    const csv: string = await page.evaluate(
      async (path) => (await fetch(path)).text(),
      `${JOB}/logs/${rows[0]?.id}/as-handed-in.csv`,
    );
    expect(csv).toMatch(/,nothing read for \d+ s: The (?:adapter hung up|line to the adapter broke)\./);
    expect(csv).toMatch(/,nothing read for \d+ s: The process that read it was gone\./);
    expect(csv).toMatch(/,upper hose hot\n/);
    expect(csv).toMatch(/,fan low on\n/);
    expect(csv).not.toMatch(/no fan/);
  });
});
