import type { Page } from "puppeteer-core";
import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { SLIP_MS } from "../app/ui/slips.ts";
import { jobId } from "../demo/seed.ts";
import { Application, PHONE } from "./support/application.ts";
import { violations } from "./support/axe.ts";
import { allSent, bookWords, pictureOfFailure, seen, write as writeOn } from "./support/walk.ts";

const JOB = `/jobs/${jobId("open-prove")}`;

let application: Application;
let page: Page;
beforeAll(async () => {
  application = await Application.open();
  page = await application.signedIn("ilse");
});
afterAll(() => application.close());
afterEach(({ task }) => pictureOfFailure(page, task));

/** By its name and Enter alone. */
async function press(of: Page, name: string): Promise<void> {
  const control = await of.waitForSelector(`::-p-aria(${name})`);
  await control?.focus();
  await of.keyboard.press("Enter");
}
/** So long that no tap on what says something else since is taken for the second half of a double one. */
const noSlip = () => new Promise((resolve) => setTimeout(resolve, SLIP_MS + 200));
const write = (label: string, text: string) => writeOn(page, label, text);
const LINES = 'ul[aria-label="What it says"] li';

describe("a log's health", () => {
  it("is left while it is read, by keys, and nothing comes of it", async () => {
    await application.go(page, `${JOB}/prove#health`);
    await press(page, "Read its health");
    await page.waitForSelector('[role="progressbar"][aria-label="The log is being redrawn"]');
    await noSlip();
    await press(page, "Leave it");
    await page.waitForSelector("::-p-aria(Read its health)");
    expect(await page.evaluate(() => document.activeElement?.textContent)).toBe("Read its health");
    expect(await page.$('[role="progressbar"]')).toBeNull();
    expect(await page.$(LINES)).toBeNull();
  });

  it("is read against the good log of the same car, a line a figure, over the curve that redraws it", async () => {
    await noSlip();
    await press(page, "Read its health");
    await page.waitForSelector(LINES);
    const lines = await page.$$eval(LINES, (items) => items.map((each) => each.textContent ?? ""));
    expect(lines).toHaveLength(6);
    // The new radiator is larger than what was left of the old one: never less.
    expect(lines[0]).toMatch(/^The radiator passes heat at \d+ ± \d+ % of that in its log of /);
    expect(lines[0]).not.toMatch(/blocked/);
    // The card says 97 and 91, and so does the car.
    expect(lines.join("\n")).toMatch(
      /The fan starts at 9[67]\.\d °C, within 0\.\d °C; the card says 97\.0 °C\./,
    );
    await page.waitForSelector('svg[aria-label^="The log, and what such a car would have shown."]');
    expect((await violations(page)).join("\n")).toBe("");
  });

  it("is booked by one tap, with its figures, and drawn on the vehicle", async () => {
    await press(page, "Book what it says");
    await allSent(page);
    await expect
      .poll(async () =>
        (await bookWords(page)).some((words) => /Cooling health: The radiator passes/.test(words)),
      )
      .toBe(true);
    const [rows] = (await application.scratch.owner.sequelize.query(
      "SELECT e.data, j.vehicle_id AS vehicle FROM entries e JOIN jobs j ON j.id = e.job_id WHERE e.fact = 'health-read' ORDER BY e.at DESC LIMIT 1",
    )) as [
      { data: { figures: Record<string, { value: number; error: number }> }; vehicle: string }[],
      unknown,
    ];
    expect(rows[0]?.data.figures.onC?.value).toBeGreaterThan(96);
    await application.go(page, `/vehicles/${rows[0]?.vehicle}#health`);
    await seen(page, "What the radiator passes, over the years");
  });

  it("is explained by putting faults into the car: a sound log as a sound car, booked as evidence", async () => {
    await application.go(page, `${JOB}/prove#explain`);
    await press(page, "Explain the curve");
    await page.waitForSelector('[role="progressbar"][aria-label="Faults are being tried"]');
    await page.waitForSelector('ol[aria-label="As if"] li');
    const best = await page.$$eval('ol[aria-label="As if"] li', (items) =>
      items.map((each) => each.textContent ?? ""),
    );
    expect(best).toHaveLength(3);
    expect(best[0]).toMatch(/^As if everything did what the card says/);
    expect((await violations(page)).join("\n")).toBe("");
    await press(page, "Book as evidence: everything did what the card says");
    await allSent(page);
    await expect
      .poll(async () =>
        (await bookWords(page)).some((words) => /Warm-up log redrawn: .* everything did/.test(words)),
      )
      .toBe(true);
  });

  it("says from Plan what another unit does on the worst days, against what is in the car, and books the answer", async () => {
    await application.go(page, `/jobs/${jobId("open-plan")}/plan#cool`);
    for (const [field, was, is] of [
      ["Fan draws", "18", "9"],
      ["Core, wide", "600", "420"],
      ["Core, high", "400", "300"],
      ["Core, thick", "26", "16"],
    ])
      for (const [which, value] of [
        ["in the car", was],
        ["new", is],
      ])
        await write(`${field}, ${which}`, value ?? "");
    await press(page, "Run the worst days");
    await page.waitForSelector('ul[aria-label="The worst days"] li');
    const days = await page.$$eval('ul[aria-label="The worst days"] li', (items) =>
      items.map((each) => each.textContent ?? ""),
    );
    expect(days).toHaveLength(3);
    // Half a radiator doesn't hold the pass, whatever isn't known.
    expect(days[1]).toMatch(/Pass climb with a trailer\. It doesn't hold/);
    expect(days[1]).toMatch(/as it is.*below|hottest/);
    expect((await violations(page)).join("\n")).toBe("");
    await press(page, "Book this answer");
    await allSent(page);
    await expect
      .poll(async () =>
        (await bookWords(page)).some((words) => /Worst days: another unit, .*doesn't hold/.test(words)),
      )
      .toBe(true);
    await write("Another cap", "nine");
    await seen(page, "A figure above is none: put it right first.");
  });

  it("over the years tells how fast it goes, and fits a phone", async () => {
    const [rows] = (await application.scratch.owner.sequelize.query(
      "SELECT id FROM vehicles WHERE name = 'Quillon Pannier' ORDER BY plate LIMIT 1",
    )) as [{ id: string }[], unknown];
    const phone = await application.signedIn("ilse", PHONE);
    await application.go(phone, `/vehicles/${rows[0]?.id}#health`);
    await seen(phone, "By the year it passes");
    await seen(phone, "To stand through a hot day, the school queue at 38 °C with air conditioning, wants");
    expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(PHONE.width);
    await phone.browserContext().close();
  });
});
