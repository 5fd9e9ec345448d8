import type { Page } from "puppeteer-core";
import { afterAll, beforeAll, describe, expect, it, onTestFailed } from "vitest";
import { demoId } from "../demo/story.ts";
import { Application, settled } from "./support/application.ts";
import {
  allSent,
  aNight,
  openTool,
  pictureOfFailure,
  seen,
  sign,
  tap,
  tapOn,
  write,
} from "./support/walk.ts";

const MOST_TURNS = 80;

let application: Application;
beforeAll(async () => {
  application = await Application.open();
});
afterAll(() => application.close());

const stageOf = (page: Page) => new URL(page.url()).pathname.split("/").at(-1);
const inHand = (page: Page) =>
  page.evaluate(() => document.querySelector("[data-in-hand]")?.getAttribute("data-in-hand") ?? null);

/** Litres stand in their field where the book knows them; where it doesn't, a little went in. */
async function fillIn(page: Page): Promise<void> {
  const field = await page.$("[data-in-hand] input.figure");
  if (!field) return;
  const isEmpty = await field.evaluate((each) => (each as HTMLInputElement).value.trim() === "");
  if (!isEmpty) return;
  await field.click();
  await page.keyboard.type("0.3");
}

/** One thing of what is in hand, by whoever does nothing else; its id, or where it led. */
async function once(page: Page, way: "mouse" | "touch"): Promise<string> {
  const id = await inHand(page);
  if (id === null) {
    await aNight(application, page);
    return "a night";
  }
  if (id === "cap") {
    await tap(page, "Upper hose soft and cool", way);
    await allSent(page);
    return id;
  }
  const link = await page.$("a[data-next]");
  if (link) {
    await tapOn(page, "a[data-next]:not([data-rests])", way);
    await page.waitForFunction((from) => location.pathname !== from, {}, new URL(page.url()).pathname);
    await settled(page);
    return `to ${stageOf(page)}`;
  }
  await fillIn(page);
  await tapOn(page, id === "plan:part" ? "[data-in-hand] [data-choice]" : "[data-next]", way);
  await page
    .waitForFunction(
      (was) => document.querySelector("[data-in-hand]")?.getAttribute("data-in-hand") !== was,
      {},
      id,
    )
    .catch(() => {
      throw new Error(`“${id}” stays in hand`);
    });
  await allSent(page);
  return id;
}

const CARS = [
  ["touch", "drover", "motor"],
  ["mouse", "pannier", "leak-radiator"],
] as const;

describe("somebody who does nothing but what is in hand", () => {
  it.each(CARS)("comes from the complaint to the signature by %s: %s, %s", async (way, vehicle, fault) => {
    const page = await application.signedIn("tobin");
    onTestFailed(({ task }) => pictureOfFailure(page, task));
    await application.go(page, `/vehicles/${demoId(`vehicle:${vehicle}`)}`);
    await tap(page, "Open a job", way);
    await page.waitForFunction(() => location.pathname.endsWith("/ask"));
    await settled(page);
    await write(page, "Complaint, in their words", "Hot standing, no fan heard");
    await write(page, "Distance", "201500");
    await tap(page, "Book it", way);
    await allSent(page);
    await tapOn(page, "a[data-next]", way);
    await page.waitForFunction(() => location.pathname.endsWith("/find"));
    await settled(page);
    await openTool(page, "By hand");
    await write(page, "In one sentence", fault === "motor" ? "fan motor dead" : "radiator leaks at its seam");
    await tap(page, "This is the fault", way);
    await allSent(page);
    const done: string[] = [];
    for (let turn = 0; turn < MOST_TURNS && (await inHand(page)) !== "sign"; turn++) {
      if (stageOf(page) === "sign" && (await inHand(page)) === null) break;
      done.push(await once(page, way));
    }
    process.stdout.write(`${vehicle}: ${done.length} things: ${done.join(", ")}\n`);
    expect(stageOf(page), done.slice(-8).join(", ")).toBe("sign");
    await sign(page);
    await seen(page, "Signed and locked");
    await page.browserContext().close();
  });
});
