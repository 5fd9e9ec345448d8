import type { Page } from "puppeteer-core";
import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { needsNoParts, stepDoneDrafts, tookOrder } from "../core/book/acts/index.ts";
import { stepsFor } from "../core/trade/order/index.ts";
import { demoId } from "../demo/story.ts";
import { Application, readAnew, TABLET } from "./support/application.ts";
import { isProgramKept } from "./support/kept.ts";
import {
  allSent,
  bookLine,
  bookWords,
  openBalance,
  pictureOfFailure,
  seen,
  sendLines,
  sign,
  tap,
} from "./support/walk.ts";

let application: Application;
let page: Page;
let job: string;
beforeAll(async () => {
  application = await Application.open({ keepsProgram: true });
  page = await application.signedIn("tobin");
  await application.go(page, `/vehicles/${demoId("vehicle:finch")}`);
  await tap(page, "Open a job");
  await page.waitForFunction(() => location.pathname.endsWith("/ask"));
  job = new URL(page.url()).pathname.replace("/ask", "");
});
afterAll(() => application.close());
afterEach(({ task }) => pictureOfFailure(page, task));

/** A front end off an ordinary car: 60 fasteners in 8 bags. */
const BAGS: [bag: number, lines: string[], pieces: number][] = [
  [1, ["out 8 m6x20 undertray bag 1"], 8],
  [2, ["out 6 m6x25 bumper bag 2", "out 4 m8x25 bumper bag 2"], 10],
  [3, ["out 6 m6x20 grille bag 3"], 6],
  [4, ["out 4 m8x30 upper brackets bag 4"], 4],
  [5, ["out 8 m6x20 shroud bag 5"], 8],
  [6, ["out 6 m6x25 radiator bag 6", "out 2 m8x25 radiator bag 6"], 8],
  [7, ["out 4 m8x30 lower brackets bag 7", "out 4 m6x20 lower brackets bag 7"], 8],
  [8, ["out 8 m6x20 airbox bag 8"], 8],
];
const pieces = BAGS.reduce((sum, [, , count]) => sum + count, 0);
const openCount = async () => Number(/Open: (\d+)/.exec(await openBalance(page))?.[1] ?? 0);
const type = async (line: string) => {
  await page.locator("[data-entry-line]").fill(line);
  await page.keyboard.press("Enter");
  await page.waitForFunction(
    () => document.querySelector<HTMLInputElement>("[data-entry-line]")?.value === "",
  );
};

describe("a deep strip", () => {
  it("is written out bag by bag, with the network gone in the middle", async () => {
    expect(pieces).toBe(60);
    await application.go(page, `${job}/strip`);
    for (const [bag, lines] of BAGS.slice(0, 4)) {
      for (const line of lines) await bookLine(page, line);
      await seen(page, `bag ${bag}`);
    }
    await isProgramKept(page);
    await application.kill();
    for (const [, lines] of BAGS.slice(4, 6)) for (const line of lines) await type(line);
    await seen(page, "3 unsent");
    await readAnew(page);
    await seen(page, "3 unsent");
    await application.start();
    await allSent(page);
    for (const [, lines] of BAGS.slice(6)) for (const line of lines) await bookLine(page, line);
    await application.go(page, `${job}/strip`);
    await expect.poll(() => openCount()).toBe(11);
  });

  it("is found again in the book by word, place and what is still out", async () => {
    await tap(page, "Find in the book");
    const shown = () => page.$$eval("aside [data-line]", (rows) => rows.length);
    const search = page.locator('aside input[type="search"]');
    await search.fill("bag 6");
    await seen(page, "2 lines");
    await expect.poll(() => shown()).toBe(2);
    await search.fill("m8x25 radiator");
    await seen(page, "one line");
    await tap(page, "Show all");
    await page.locator('aside input[type="checkbox"]').click();
    await seen(page, "11 lines");
    await tap(page, "Find in the book");
  });

  it("goes back by two people at once, each piece once", async () => {
    const tablet = await application.signedIn("ilse", TABLET);
    await application.go(tablet, `${job}/build`);
    await application.go(page, `${job}/build`);
    const backOn = async (on: Page, bag: number) => {
      for (;;) {
        const button = await on.$(`::-p-xpath(//button[contains(@aria-label, 'bag ${bag}: all')])`);
        if (!button) return;
        await button.evaluate((each) => each.scrollIntoView({ block: "center" }));
        await button.evaluate((each) => (each as HTMLElement).click());
        await new Promise((resolve) => setTimeout(resolve, 150));
      }
    };
    await Promise.all([
      (async () => {
        for (const bag of [8, 7, 6, 5]) await backOn(page, bag);
      })(),
      (async () => {
        for (const bag of [1, 2, 3, 4, 5]) await backOn(tablet, bag);
      })(),
    ]);
    await allSent(page);
    await allSent(tablet);
    await application.go(page, `${job}/build`);
    await seen(page, "all that came off is back");
    await expect.poll(() => openBalance(page)).toContain("Everything is accounted for");
    const back = await page.$$eval("aside [data-line] td:last-child", (cells) =>
      cells.map((cell) => Number.parseInt(cell.textContent ?? "", 10)).filter((count) => count > 0),
    );
    expect(back.reduce((sum, count) => sum + count, 0)).toBe(pieces);
    await tablet.browserContext().close();
  });

  it("is signed with what isn't written named", async () => {
    await application.go(page, `${job}/sign`);
    await seen(page, "Not said");
    await sign(page);
  });

  it("teaches the next job on the model: each step asks for what came off with it, put right by count", async () => {
    await application.go(page, `/vehicles/${demoId("vehicle:finch")}`);
    await tap(page, "Open a job");
    await page.waitForFunction(() => location.pathname.endsWith("/ask"));
    const next = new URL(page.url()).pathname.replace("/ask", "");
    const steps = stepsFor("radiator", ["undertray"]);
    const before = steps.filter(({ id }) => ["cold", "battery", "stands"].includes(id));
    const drafts = [
      needsNoParts(),
      tookOrder("radiator", ["undertray"], steps, "1 h"),
      ...before.flatMap((step) => stepDoneDrafts(step, [])),
    ];
    await sendLines(page, next, drafts);
    await application.go(page, `${next}/strip`);
    await seen(page, "as on the last job on this model");
    const bag = "M6×20, bag 1, undertray";
    expect(await page.$eval(`input[aria-label="How many: ${bag}"]`, (each) => each.value)).toBe("8");
    await tap(page, `One fewer: ${bag}`);
    await tap(page, "Done, with what is counted");
    await allSent(page);
    const words = await bookWords(page);
    expect(words.slice(-2).join(" ")).toMatch(/7 × M6×20, bag 1 \(undertray\)/);
    await tap(page, "Not off after all: undertray");
    await allSent(page);
    // The step that wrote it out isn't done either, and is in hand again.
    expect((await bookWords(page)).slice(-2).join(" ")).toMatch(/Line \d+ struck out.*Line \d+ struck out/);
    await seen(page, "Step 4 of 9");
  });

  it("takes back where it was tapped what isn't done, and on Build what isn't back", async () => {
    await page.waitForFunction(() =>
      [...document.querySelectorAll("#work li")].some((row) =>
        /Undertray off.* in hand/.test(row.textContent ?? ""),
      ),
    );
    await tap(page, "Not done after all: Car on stands");
    await allSent(page);
    expect((await bookWords(page)).at(-1)).toMatch(/struck out/);
    await seen(page, "Step 3 of 9");
    await tap(page, "Done: Car on stands");
    await seen(page, "Step 4 of 9");
    await tap(page, "Done: Undertray off");
    await allSent(page);
    await application.go(page, new URL(page.url()).pathname.replace("/strip", "/build"));
    await tap(page, "Is back: Undertray on");
    await allSent(page);
    await tap(page, "On again: 1");
    await tap(page, "Not back after all: Undertray on");
    await allSent(page);
    await page.waitForSelector('[aria-label="Is back: Undertray on"]');
    expect((await bookWords(page)).slice(-2).join(" ")).toMatch(/struck out.*struck out/);
  });
});
