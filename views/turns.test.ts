import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type PersonKey } from "../demo/shop.ts";
import { Application, jobId, PEOPLE } from "./support/application.ts";
import { passes } from "./support/clock.ts";
import type { ViewPage } from "./support/page.ts";
import { bookLine, openTool, readAnew, seen, settled, tap, unfold } from "./support/walk.ts";

const STRIP = `/jobs/${jobId("open-find")}/strip`;

let application: Application;
let page: ViewPage;
beforeAll(async () => {
  application = await Application.open();
  page = await application.signedIn("tobin");
  await application.go(page, STRIP);
});
afterAll(() => application.close());

const pause = (ms: number) => passes(ms);
const field = (label: string) => page.locator(`::-p-aria([name="${label}"])`);
const line = () => page.$eval("[data-entry-line]", (input) => (input as HTMLInputElement).value);

/** Somebody else takes the tablet over where it lies. */
async function takeOver(from: string, who: PersonKey): Promise<void> {
  const person = PEOPLE.find(({ key }) => key === who);
  await tap(page, `${from}: sign out`);
  await page.waitForFunction(() => location.pathname.startsWith("/sign-in"));
  await settled(page);
  await page.locator(`::-p-text(${person?.name})`).click();
  await page.locator('input[name="pin"]').fill(person?.pin ?? "");
  await page.keyboard.press("Enter");
  await page.waitForSelector('nav[aria-label="Places"]');
  await settled(page);
}

describe("what was typed stays", () => {
  it("over a change of stage and a reload: chips, counts, pot readings, half a line", async () => {
    await application.go(page, STRIP.replace("strip", "ask"));
    await unfold(page, "What is the trouble?");
    await tap(page, "loses coolant");
    await field("Distance").fill("184300");
    await page.keyboard.press("Tab");
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press("4");
    await page.waitForFunction(() => location.pathname.endsWith("/strip"));
    await unfold(page, "Write it out");
    await tap(page, "2");
    await tap(page, "One more");
    await tap(page, "One more");
    await page.locator("[data-entry-line]").fill("out 3 m6x20 air");
    await pause(300);
    await readAnew(page);
    await settled(page);
    await page.waitForSelector("::-p-aria(3 × M6×20 into bag 2)");
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>("[data-entry-line]")?.value === "out 3 m6x20 air",
    );
    await application.go(page, STRIP.replace("strip", "ask"));
    const isOn = (chip: string) =>
      page.waitForFunction(
        (name) =>
          [...document.querySelectorAll('[data-state="on"]')].some((each) => each.textContent === name),
        {},
        chip,
      );
    await isOn("loses coolant");
    await expect
      .poll(() => page.$eval('input[inputmode="numeric"]', (input) => (input as HTMLInputElement).value))
      .toBe("184300");
  });

  it("with whoever typed it: the next person comes back to the same job and finds none of it", async () => {
    await application.go(page, STRIP);
    await takeOver("Tobin", "ilse");
    expect(new URL(page.url()).pathname).toBe(STRIP);
    await pause(500);
    await expect.poll(() => line()).toBe("");
    await expect.poll(() => page.$("::-p-aria(3 × M6×20 into bag 2)")).toBeNull();
    await page.locator("[data-entry-line]").fill("note of ilse");
    await pause(300);
    await takeOver("Ilse", "tobin");
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>("[data-entry-line]")?.value === "out 3 m6x20 air",
    );
    await page.waitForSelector("::-p-aria(3 × M6×20 into bag 2)");
  });

  it("when an old line is tapped: the correction stands aside for it again", async () => {
    await (await page.waitForSelector("aside [data-line] [data-row]"))?.click();
    await tap(page, "Correct it");
    await page.waitForFunction(() =>
      /^correct \d+ $/.test(document.querySelector<HTMLInputElement>("[data-entry-line]")?.value ?? ""),
    );
    await page.waitForFunction(() => document.activeElement?.hasAttribute("data-entry-line"));
    await seen(page, "Leave the correction, back to:");
    await page.keyboard.press("Escape");
    await expect.poll(() => line()).toBe("out 3 m6x20 air");
    await page.locator("[data-entry-line]").fill("");
  });

  it("an unbooked log: over a reload, until it is put away", async () => {
    await application.go(page, `/jobs/${jobId("open-build")}/prove`);
    const input = await page.waitForSelector('input[type="file"]');
    await input?.uploadFile("samples/sound-one-fan.csv" as never);
    await seen(page, "not booked yet");
    await pause(400);
    await readAnew(page);
    await seen(page, "sound-one-fan.csv");
    await seen(page, "not booked yet");
    await tap(page, "Put it away");
    await seen(page, "Drop a warm-up log here.");
    await readAnew(page);
    await settled(page);
    await pause(500);
    await expect
      .poll(() => page.evaluate(() => document.body.textContent?.includes("sound-one-fan.csv")))
      .toBe(false);
  });

  it("half a vehicle: over a reload, until it is written down", async () => {
    await application.go(page, "/vehicles/new");
    await field("Plate").fill("MRW 9191");
    await field("Make and model").fill("Brindle Carter");
    await page.select('select[name="coolantKind"]', "oat");
    await pause(300);
    await application.go(page, "/");
    await application.go(page, "/vehicles/new");
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('input[name="plate"]')?.value === "MRW 9191",
    );
    await expect
      .poll(() => page.$eval('select[name="coolantKind"]', (select) => (select as HTMLSelectElement).value))
      .toBe("oat");
    await tap(page, "Write it down");
    await seen(page, "fields are to be put right");
    await expect.poll(() => page.evaluate(() => document.activeElement?.getAttribute("role"))).toBe("alert");
    await page.locator('[role="alert"] button').click();
    await expect.poll(() => page.evaluate(() => document.activeElement?.getAttribute("name"))).toBe("vin");
    await field("VIN").fill("0ZZTESTVEHNCLE919");
    await field("Holds").fill("6");
    await field("Cap opens at").fill("100");
    await field("Thermostat opens").fill("88");
    await tap(page, "Write it down");
    await seen(page, "Brindle Carter");
    await page.waitForFunction(() => /\/vehicles\/[0-9a-f-]{36}$/.test(location.pathname));
    // What was half written is let go of as its page goes.
    await pause(800);
    await application.go(page, "/vehicles/new");
    await pause(500);
    await expect
      .poll(() => page.$eval('input[name="plate"]', (input) => (input as HTMLInputElement).value))
      .toBe("");
  });
});

describe("focus and voice", () => {
  const said = () =>
    page.$$eval("[data-announcer] p", (places) => places.map((place) => place.textContent ?? "").join(""));

  it("one act is told once, after it", async () => {
    await application.go(page, STRIP);
    await bookLine(page, "out 3 m6x20 bag 2");
    await page.waitForFunction(() =>
      document.querySelector("[data-announcer]")?.textContent?.startsWith("Booked: "),
    );
    await expect.poll(() => said()).toBe("Booked: 3 × M6×20, bag 2.");
  });

  it("a line that can't be read is told after a pause, not at each letter", async () => {
    const spoken = () =>
      page.$$eval('aside [role="status"]', (parts) => parts.map((part) => part.textContent).join("|"));
    await page.locator("[data-entry-line]").fill("out 3 m6x20 arbox");
    await expect.poll(() => spoken()).not.toContain("Wanted there");
    await page.waitForFunction(() =>
      [...document.querySelectorAll('aside [role="status"]')].some((part) =>
        part.textContent?.startsWith("Wanted there"),
      ),
    );
    await page.locator("[data-entry-line]").fill("");
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  });

  it("each stage and vehicle has a title of its own", async () => {
    const titles = new Set<string>();
    for (const stage of ["ask", "find", "plan", "strip", "build", "fill", "prove", "sign"]) {
      await application.go(page, STRIP.replace("strip", stage));
      titles.add(await page.title());
    }
    expect(titles.size).toBe(8);
    expect([...titles][0]).toBe("Ask · MRW 2417 · Warm Ledger");
    await application.go(page, "/vehicles?find=5508");
    await page.locator("a[data-row]").click();
    await page.waitForFunction(() => location.pathname.startsWith("/vehicles/"));
    await expect.poll(() => page.title()).toBe("MRW 5508 · Warm Ledger");
  });

  it("suspects, the map and the log are read in words that say what is drawn", async () => {
    await application.go(page, STRIP.replace("strip", "find"));
    const rows = await page.$$eval('section[aria-labelledby="suspects"] summary .sr-only', (all) =>
      all.map((row) => row.textContent ?? ""),
    );
    expect(rows[0]).toMatch(/^switch never closes, \d+ percent, (up|down) \d+$/);
    const map = await page.$eval('[aria-label="Circuit map"] svg', (svg) => svg.getAttribute("aria-label"));
    expect(map).toMatch(/leads go to .+ and .+$/);
    await application.go(page, `/jobs/${jobId("open-prove")}/prove`);
    await openTool(page, "Warm-up log");
    await page.waitForSelector("figure svg");
    const chart = await page.$eval("figure svg", (svg) => svg.getAttribute("aria-label"));
    expect(chart).toMatch(/thermostat opens at \d+.°C after \d+ min, \w+/);
  });
});
