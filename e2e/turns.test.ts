import type { Page } from "puppeteer-core";
import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { jobId } from "../demo/seed.ts";
import { PEOPLE, type PersonKey } from "../demo/shop.ts";
import { Application, readAnew, settled } from "./support/application.ts";
import {
  allSent,
  bookLine,
  bookWords,
  openTool,
  pictureOfFailure,
  seen,
  tap,
  unfold,
} from "./support/walk.ts";

const STRIP = `/jobs/${jobId("open-find")}/strip`;

let application: Application;
let page: Page;
beforeAll(async () => {
  application = await Application.open();
  page = await application.signedIn("tobin");
  await application.go(page, STRIP);
});
afterAll(() => application.close());
afterEach(({ task }) => pictureOfFailure(page, task));

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
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

describe("what isn't sent", () => {
  it("is seen on Shop by the others once it was told", async () => {
    await application.go(page, STRIP);
    await bookLine(page, "out fan");
    const other = await application.signedIn("ilse");
    await application.go(other, STRIP);
    // Typed here while nobody tells this page what the other one books.
    await page.setOfflineMode(true);
    await page.locator("[data-entry-line]").fill("in fan");
    await page.keyboard.press("Enter");
    await seen(page, "1 unsent");
    await bookLine(other, "in fan");
    await other.browserContext().close();
    await page.setOfflineMode(false);
    await seen(page, "1 refused");
    await pause(4000);
    const lead = await application.signedIn("maren");
    await application.go(lead, "/shop");
    await seen(lead, "bay tablet:");
    await expect
      .poll(() => lead.$eval("main", (main) => main.textContent))
      .toMatch(/bay tablet: 1 unsent since \d\d:\d\d/);
    await lead.browserContext().close();
  });

  it("is said before signing out, which can be left", async () => {
    await tap(page, "Tobin: sign out");
    await seen(page, "One entry isn't sent yet");
    await tap(page, "Stay signed in");
    expect(new URL(page.url()).pathname).toBe(STRIP);
    await tap(page, "1 unsent");
    await tap(page, "Take it back");
    await page.waitForFunction(() => !document.body.textContent?.includes("1 refused"));
    await page.keyboard.press("Escape");
  });

  it("stays where the session has ended, which is called that; it is sent after signing in again", async () => {
    await application.scratch.owner.sequelize.query("DELETE FROM sessions");
    await page.locator("[data-entry-line]").fill("note after the session");
    await page.keyboard.press("Enter");
    await seen(page, "Your session has ended.");
    await seen(page, "After the session");
    await page.locator("::-p-text(sign in again)").click();
    await page.waitForFunction(() => location.pathname === "/sign-in");
    await settled(page);
    await page.locator("::-p-text(Tobin Askel)").click();
    await page.locator('input[name="pin"]').fill(PEOPLE.find(({ key }) => key === "tobin")?.pin ?? "");
    await page.keyboard.press("Enter");
    await page.waitForSelector("aside [data-line]");
    expect(new URL(page.url()).pathname).toBe(STRIP);
    await allSent(page);
    await expect.poll(async () => (await bookWords(page)).join("\n")).toContain("After the session");
  });
});

describe("focus and voice", () => {
  const said = () =>
    page.$$eval("[data-announcer] p", (places) => places.map((place) => place.textContent ?? "").join(""));
  const focus = () =>
    page.evaluate(
      () => document.activeElement?.getAttribute("aria-label") ?? document.activeElement?.textContent,
    );

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

  it("after a tick focus is on the next row, after a stage on its heading, after a dialog on what opened it", async () => {
    await bookLine(page, "out airbox");
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press("5");
    await page.waitForFunction(() => document.activeElement?.hasAttribute("data-stage-heading"));
    await expect.poll(() => focus()).toBe("What goes back next?");
    await page.$eval("::-p-aria(airbox: is back)", (button) => (button as HTMLElement).focus());
    await page.keyboard.press("Enter");
    // The row after it in its list, or the stage's heading where it was the last one there.
    await page.waitForFunction(() => {
      const active = document.activeElement;
      const label = active?.getAttribute("aria-label") ?? "";
      return (
        active?.hasAttribute("data-stage-heading") || (label.includes("back") && !label.includes("airbox"))
      );
    });
    await expect.poll(() => focus()).not.toContain("airbox");
    const row = await page.waitForSelector("aside [data-line] [data-row]");
    await row?.focus();
    const name = await focus();
    await page.keyboard.press("Enter");
    await page.waitForSelector('[role="dialog"]');
    await page.keyboard.press("Escape");
    await page.waitForFunction(() => !document.querySelector('[role="dialog"]'));
    await page.waitForFunction(
      (label) => document.activeElement?.getAttribute("aria-label") === label,
      {},
      name,
    );
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
    await page.waitForFunction(() => document.title === "MRW 5508 · Warm Ledger");
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
