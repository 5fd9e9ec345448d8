import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { ElementHandle, Page } from "puppeteer-core";
import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { jobId } from "../demo/seed.ts";
import { demoId } from "../demo/story.ts";
import { Application, PHONE, readAnew } from "./support/application.ts";
import { violations } from "./support/axe.ts";
import { isKept } from "./support/kept.ts";
import { allSent, bookWords, openTool, pictureOfFailure, seen, tap, write } from "./support/walk.ts";

let application: Application;
let page: Page;
beforeAll(async () => {
  application = await Application.open({ keepsProgram: true });
  page = await application.signedIn("tobin");
});
afterAll(() => application.close());
afterEach(({ task }) => pictureOfFailure(page, task));

const SCHOLAR = `/vehicles/${demoId("vehicle:scholar")}`;
const words = () => page.$eval("main", (main) => (main.textContent ?? "").replace(/\s+/g, " "));

describe("Watch", () => {
  it("has the vehicle that is at its minimum soonest first, each with what to do and why", async () => {
    await application.go(page, "/");
    await page.keyboard.press("g");
    await page.keyboard.press("w");
    await seen(page, "Top up and look every week");
    const plates = await page.$$eval("main h2 a", (links) => links.map((link) => link.textContent));
    expect(plates).toHaveLength(3);
    expect(plates.at(-1)).toBe("MRW 5508");
    expect(await violations(page)).toEqual([]);
  });
});

describe("a level", () => {
  it("is written down at any visit, told wrong beside its field, and counted", async () => {
    await application.go(page, SCHOLAR);
    await openTool(page, "Coolant level");
    await write(page, "Below the line", "a bit");
    await tap(page, "Write the level down");
    await seen(page, "A figure from");
    await write(page, "Below the line", "0.3");
    await write(page, "Distance", "1");
    await tap(page, "Write the level down");
    await seen(page, "already. Read it again");
    await write(page, "Distance", " ");
    await tap(page, "Write the level down");
    await page.waitForSelector('ul[aria-label="Levels taken"] li');
    await expect.poll(() => words()).toContain("0.3 L below the line, cold");
    await expect.poll(() => words()).toContain("One look gives no rate");
  });

  it("that was wrong is struck, stays readable, and counts no longer", async () => {
    await page.locator('button[aria-label^="Strike the level"]').click();
    await seen(page, "struck");
    await seen(page, "No cold level was taken");
  });

  it("is kept while no server is to be had, and sent by itself once one is", async () => {
    await write(page, "Below the line", "0.4");
    await application.kill();
    await tap(page, "Write the level down");
    await seen(page, "Kept in this browser, not sent yet.");
    await expect
      .poll(() => page.$eval('input[name="missing"]', (input) => (input as HTMLInputElement).value))
      .toBe("");
    await application.start();
    await page.waitForFunction(
      () => document.querySelectorAll('ul[aria-label="Levels taken"] li').length === 2,
    );
  });

  it("is taken by its height in a tank that was measured once", async () => {
    await application.go(page, SCHOLAR);
    await openTool(page, "Coolant level");
    await write(page, "or height below", "27");
    await write(page, "Topped up", "0.5");
    await tap(page, "Write the level down");
    await seen(page, "that is 54 mm");
    await write(page, "One L lifts it by", "54");
    await tap(page, "Write the level down");
    await seen(page, "in the tank");
    await expect
      .poll(() => words())
      .toContain("0.5 L below the line, by 27.0 mm in the tank, cold, topped up 0.5 L");
    await readAnew(page);
    await seen(page, "in the tank");
    await write(page, "or height below", "10.8");
    await tap(page, "Write the level down");
    await page.waitForFunction(() => document.body.textContent?.includes("10.8"));
    await expect.poll(() => words()).toContain("0.2 L below the line, by 10.8 mm in the tank");
  });

  it("comes in as a list, whole or with each wrong line named, and the same list twice is one", async () => {
    await application.go(page, `/vehicles/${demoId("vehicle:duo")}`);
    await openTool(page, "Coolant level");
    await page.locator("summary::-p-text(Levels as a list)").click();
    const handIn = async (text: string) => {
      const path = join(mkdtempSync(join(tmpdir(), "levels-")), "levels.csv");
      writeFileSync(path, text);
      const input = (await page.waitForSelector("[data-list]")) as ElementHandle<HTMLInputElement>;
      await input.uploadFile(path);
    };
    const before = await page.$$eval('ul[aria-label="Levels taken"] li', (all) => all.length);
    await handIn("day,missing_L,km\n04/05/2026,0.2,\n2026-05-11,much,\n");
    await seen(page, "2 lines are wrong");
    await expect.poll(() => words()).toMatch(/Line 2, at: A day such as/);
    // Its jobs had read more by then.
    await handIn("day,missing_L,distance_km,by\n2026-05-04,0.1,100,Perrin\n");
    await expect.poll(() => words()).toMatch(/100\skm comes after [\d\s]+km/);
    const good = "day,missing_L,by\n2026-05-04,0.1,Perrin\n2026-05-11,0.2,\n";
    await handIn(good);
    await seen(page, "2 written down");
    await page.waitForFunction(
      (count) => document.querySelectorAll('ul[aria-label="Levels taken"] li').length === count,
      {},
      before + 2,
    );
    await expect.poll(() => words()).toContain("Perrin, by a list that Tobin Askel read in");
    await handIn(good);
    await seen(page, "0 written down, 2 were there already");
    expect(await violations(page)).toEqual([]);
  });

  it("runs out of no phone", async () => {
    const phone = await application.signedIn("ilse", PHONE);
    for (const path of ["/watch", `/vehicles/${demoId("vehicle:drover")}`]) {
      await application.go(phone, path);
      const spill = await phone.evaluate(() => document.documentElement.scrollWidth - screen.width);
      expect(spill, path).toBeLessThanOrEqual(0);
    }
    await phone.browserContext().close();
  });
});

describe("the owner's wish to wait", () => {
  it("takes no page down where no server is to be had", async () => {
    await application.go(page, `/jobs/${jobId("open-plan")}/find`);
    await isKept(page);
    await application.kill();
    await page.locator(`a[href$="/plan"]`).click();
    await openTool(page, "Which part");
    await seen(page, "Part to buy");
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await expect.poll(() => words()).not.toContain("This went wrong");
    await application.start();
  });

  it("is weighed against what the level has lost, and booked with the day it ends", async () => {
    await application.go(page, `/jobs/${jobId("open-plan")}/plan`);
    await openTool(page, "Which part");
    await seen(page, "Or wait, if the owner wishes it");
    await expect.poll(() => words()).toMatch(/(?:Loses|May lose) 0\.\d+.L a week, from/);
    await tap(page, "The owner waits");
    await allSent(page);
    const line = (await bookWords(page)).find((each) => each.includes("rather wait"));
    expect(line).toMatch(/loses 0\.\d+.L a week.*at its minimum from/i);
  });
});
