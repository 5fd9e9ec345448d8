import type { Page } from "puppeteer-core";
import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { jobId } from "../demo/seed.ts";
import { demoId } from "../demo/story.ts";
import { Application, settled } from "./support/application.ts";
import { shownTest } from "./support/diagnose.ts";
import { isKept } from "./support/kept.ts";
import { allSent, bookWords, openTool, pictureOfFailure, seen, tap, write } from "./support/walk.ts";

const OPEN = jobId("open-find");
const STAGES = ["ask", "find", "plan", "strip", "build", "fill", "prove", "sign"];

let application: Application;
let page: Page;
beforeAll(async () => {
  application = await Application.open({ keepsProgram: true });
  page = await application.signedIn("tobin");
});
afterAll(() => application.close());
afterEach(({ task }) => pictureOfFailure(page, task));

const at = (path: string) => page.waitForFunction((end) => location.pathname.endsWith(end), {}, path);
const type = async (line: string) => {
  await page.locator("[data-entry-line]").fill(line);
  await page.keyboard.press("Enter");
};
const note = () => page.$eval('[aria-label="Server"]', (said) => said.textContent ?? "");

describe("a server that goes", () => {
  it("takes no page away: each says since when, and from when what it shows is", async () => {
    await application.go(page, `/jobs/${OPEN}/find`);
    await isKept(page);
    await application.go(page, "/");
    await application.go(page, `/vehicles/${demoId("vehicle:scholar")}`);
    await isKept(page);
    await application.kill();
    await page.locator('nav[aria-label="Places"] a::-p-text(Today)').click();
    await seen(page, "No server since");
    await seen(page, "in hand");
    await expect
      .poll(() => note())
      .toMatch(/^No server since \d\d:\d\d, working from what is here, as it was at \d\d:\d\d\.$/);
    await page.locator('nav[aria-label="Places"] a::-p-text(Vehicles)').click();
    await seen(page, "MRW 5508");
    await page.locator("#find").fill("5508");
    await seen(page, "One vehicle with");
    await page.goBack();
    await page.locator(`[aria-labelledby="ready-when"] a[href^="/jobs/${OPEN}"]`).click();
    await page.waitForSelector("aside [data-line]");
  });

  it("leaves a page that was never read to be tried again, with everything around it", async () => {
    await page.locator('nav[aria-label="Places"] a::-p-text(Shop)').click();
    await seen(page, "has not been read in this browser yet");
    await expect.poll(() => page.$('nav[aria-label="Places"]')).not.toBeNull();
  });

  it("opens from a cold start, job and every stage, with what is typed kept", async () => {
    await page.close();
    page = await application.another(page);
    await page.goto(`${application.address}/jobs/${OPEN}/ask`);
    await page.waitForSelector("aside [data-line]");
    await seen(page, "No server since");
    for (const stage of STAGES) {
      await page.goto(`${application.address}/jobs/${OPEN}/${stage}`);
      await page.waitForSelector("[data-stage-heading]");
      await page.waitForSelector("aside [data-line]");
    }
    await page.goto(`${application.address}/`);
    await seen(page, "in hand");
    await page.goto(`${application.address}/vehicles/${demoId("vehicle:scholar")}`);
    await seen(page, "Cooling card");
    await page.goto(`${application.address}/jobs/${OPEN}/find`);
    await settled(page);
    await shownTest(page);
    await type("note written from a cold start");
    await seen(page, "1 unsent");
  });

  it("opens a new job, takes its lines, its log and its signature, and books them all when it is back", async () => {
    await page.goto(`${application.address}/vehicles`);
    await application.start();
    await page.reload();
    await settled(page);
    await application.go(page, `/vehicles/${demoId("vehicle:finch")}`);
    await isKept(page);
    await application.kill();
    await tap(page, "Open a job");
    await at("/ask");
    const path = new URL(page.url()).pathname;
    await type("note hot in the hay queue");
    await seen(page, "Hot in the hay queue");
    await page.reload();
    await seen(page, "Hot in the hay queue");
    await page.keyboard.press("7");
    await at("/prove");
    await (await page.waitForSelector('input[type="file"]'))?.uploadFile(
      "samples/sound-one-fan.csv" as never,
    );
    await page.waitForSelector("figure svg");
    await tap(page, "Book this log");
    await seen(page, "booked here, not sent yet");
    await page.keyboard.press("8");
    await at("/sign");
    await tap(page, "Sign the job");
    await tap(page, "Yes, sign the job");
    await seen(page, "Signed here, not sent yet");
    await seen(page, "Signed here. Nothing more is booked until the server has it");
    await expect.poll(() => page.$("::-p-aria(Undo)")).toBeNull();
    await (await page.$$("aside [data-line] [data-row]")).at(-1)?.click();
    await seen(page, "It is on its way");
    await page.keyboard.press("Escape");
    await application.start();
    await seen(page, "Signed and locked");
    await allSent(page);
    await application.go(page, path.replace("ask", "sign"));
    const words = (await bookWords(page)).join("\n");
    expect(words).toMatch(/hay queue[\s\S]*Warm-up log[\s\S]*Signed/);
  });

  it("takes a level of yesterday and one of today, told wrong beside its field, and sends both once", async () => {
    const scholar = `/vehicles/${demoId("vehicle:scholar")}`;
    await application.go(page, scholar);
    await openTool(page, "Coolant level");
    await isKept(page);
    const taken = () =>
      page.$$eval('[aria-label="Levels taken"] li', (rows) => rows.map((row) => row.textContent ?? ""));
    const before = (await taken()).length;
    await application.kill();
    await tap(page, "Write the level down");
    await seen(page, "How much is missing up to the line");
    await write(page, "Below the line", "a lot");
    await tap(page, "Write the level down");
    await seen(page, "see beside the fields");
    await write(page, "Below the line", "0.4");
    await write(page, "Who was told", "the driver");
    await tap(page, "Write the level down");
    await seen(page, "Level 0.4 L below the line.");
    const yesterday = new Date(Date.now() - 86_400_000).toISOString().slice(0, 10);
    await write(page, "Below the line", "0.3");
    await page.$eval('input[name="on"]', (field, day) => Object.assign(field, { value: day }), yesterday);
    await tap(page, "Write the level down");
    await seen(page, `Level 0.3 L below the line, looked at on ${yesterday}.`);
    await page.reload();
    await openTool(page, "Coolant level");
    await seen(page, "Kept in this browser, not sent yet.");
    await application.start();
    await allSent(page);
    await expect.poll(async () => (await taken()).length).toBe(before + 2);
    expect((await taken()).filter((row) => /0\.4.*told: the driver/.test(row))).toHaveLength(1);
  });

  it("takes in a car by its plate, with work begun on it, and one with its card", async () => {
    await application.go(page, "/vehicles");
    await isKept(page);
    await application.go(page, "/vehicles/new");
    await application.go(page, "/vehicles");
    await application.kill();
    await page.locator("#find").fill("mrw 7788");
    await page.waitForSelector("::-p-aria(Take in MRW 7788 and open a job)");
    await new Promise((resolve) => setTimeout(resolve, 1200));
    // The next car is typed before anybody has answered for this one.
    await page.evaluate(() => {
      [...document.querySelectorAll("button")]
        .find((each) => each.textContent?.startsWith("Take in"))
        ?.click();
      const find = document.querySelector<HTMLInputElement>("#find");
      if (!find) throw new Error("nowhere to type");
      Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")?.set?.call(find, "mrw 7799");
      find.dispatchEvent(new Event("input", { bubbles: true }));
    });
    await at("/ask");
    await seen(page, "MRW 7788");
    await type("note towed in, steam");
    await seen(page, "Towed in, steam");
    const job = new URL(page.url()).pathname;
    await page.locator('nav[aria-label="Places"] a::-p-text(Vehicles)').click();
    await page.waitForSelector(`ul[aria-label="Vehicles not sent yet"] a[href="${job}"]`);
    await page.locator("a::-p-text(Add a vehicle)").click();
    await write(page, "Plate", "MRW 8899");
    await write(page, "VIN", "0MRWA1B2C3D4E5F67");
    await write(page, "Make and model", "Quillon Pannier");
    await write(page, "Holds", "7");
    await page.select('select[name="coolantKind"]', "oat");
    await write(page, "Cap opens at", "110");
    await tap(page, "Write it down");
    await at("/vehicles");
    await seen(page, "MRW 8899");
    await application.start();
    await allSent(page);
    await application.go(page, "/vehicles?find=8899");
    await page.waitForSelector("a[data-row]");
    await application.go(page, job);
    expect((await bookWords(page)).join("\n")).toMatch(/Towed in, steam/);
  });
});
