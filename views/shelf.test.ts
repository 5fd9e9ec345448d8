import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { Application, jobId } from "./support/application.ts";
import type { Handle, ViewPage } from "./support/page.ts";
import { allSent, bookWords, openTool, seen, tap, unfold, write } from "./support/walk.ts";

let application: Application;
let page: ViewPage;
const folder = mkdtempSync(join(tmpdir(), "shelf-"));
beforeAll(async () => {
  application = await Application.open();
  page = await application.signedIn("maren");
});
afterAll(async () => {
  rmSync(folder, { recursive: true });
  await application.close();
});

const firstCells = () =>
  page.$$eval('[aria-label="Shelf as a table"] tbody tr', (rows) =>
    rows.map((row) => [...row.children].slice(0, 4).map((cell) => cell.textContent ?? "")),
  );
async function handIn(text: string): Promise<void> {
  const path = join(folder, "list.csv");
  writeFileSync(path, text);
  const input = (await page.waitForSelector("[data-list]")) as Handle;
  await input.uploadFile(path);
}

describe("the shelf", () => {
  it("says how long each grade has lasted here, and where too few have gone to say", async () => {
    await application.go(page, "/shelf");
    await seen(page, "How long they last here");
    const lines = await page.$$eval('[aria-labelledby="lives"] li', (all) =>
      all.map((each) => each.textContent ?? ""),
    );
    expect(lines.find((line) => line.startsWith("pattern"))).toMatch(
      /^pattern: \d+ of \d+ gone; half of them by \d+ months\.$/,
    );
    expect(lines.find((line) => line.startsWith("all-metal"))).toContain("too few to say");
    await page.locator('[aria-label="Told apart by"] ::-p-text(supplier)').click();
    await page.waitForSelector('svg[aria-label*="Coldbrook Parts"]');
  });

  it("is sorted by any column and searched, and says how each part has done here", async () => {
    await page.keyboard.press("g");
    await page.keyboard.press("s");
    await seen(page, "On the shelf");
    await page.locator("th button::-p-text(Price)").click();
    await page.waitForSelector('th[aria-sort="ascending"] ::-p-text(Price)');
    const prices = (await firstCells()).map(([, , , price = ""]) => Number(price.replace(/[^\d.]/g, "")));
    expect(prices).toEqual([...prices].sort((a, b) => a - b));
    await write(page, "Find on the shelf", "radiator pattern tansy");
    await seen(page, "1 of 19");
    await expect
      .poll(() => page.$eval('[aria-label="Shelf as a table"] tbody', (body) => body.textContent))
      .toMatch(/\d+ fitted; .*still in/);
  });

  it("takes one more, says beside each field what is wrong, and takes it off again", async () => {
    await write(page, "What it is", "Radiator drain");
    await write(page, "Supplier", "Tansy & Rudge");
    await write(page, "Price", "0");
    await write(page, "Days until it is here", "-2");
    await tap(page, "Put it on the shelf");
    await seen(page, "A price of 0 is no price.");
    await seen(page, "Days from 0 to 365.");
    await write(page, "Price", "4,20");
    await write(page, "Days until it is here", "1");
    await tap(page, "Put it on the shelf");
    await seen(page, "It is on the shelf.");
    await write(page, "Find on the shelf", "drain");
    await seen(page, "1 of 20");
    await tap(page, "Take off: Radiator drain, maker's, Tansy & Rudge");
    await seen(page, "0 of 19");
  });

  it("takes in a list whole or not at all, and names each line that is wrong", async () => {
    await handIn(
      "part,grade,supplier,price,days\nlower peg,pattern,Tansy & Rudge,3,1\nupper peg,cheap,Tansy & Rudge,0,1\n",
    );
    await seen(page, "Nothing was taken in: one line is wrong.");
    await seen(page, "A price of 0 is no price.");
    await handIn("part;grade;supplier;price;days;colour\nlower peg;pattern;Tansy & Rudge;3,50;1;black\n");
    await seen(page, "1 put on the shelf, 0 brought up to date. Left out: colour.");
    await handIn("part,grade,supplier,price,days\nLower peg,pattern,Tansy & Rudge,4,1\n");
    await seen(page, "0 put on the shelf, 1 brought up to date.");
    await handIn(`part,grade\n${"x,".repeat(200_000)}\n`);
    await seen(page, "is missing");
    const csv = await page.evaluate(async () => (await fetch("/shelf/list.csv")).text());
    expect(csv).toContain("part,Lower peg,pattern,Tansy & Rudge,4.00,0.00,1,0,0");
    await handIn(csv);
    await seen(page, "0 put on the shelf, 20 brought up to date.");
  });

  it("is read by the desk, which changes nothing, and fits a phone", async () => {
    const desk = await application.signedIn("dez");
    await application.go(desk, "/shelf");
    await seen(desk, "1 of 20".replace("1 of", "20 of"));
    await expect.poll(() => desk.$("::-p-text(Put it on the shelf)")).toBeNull();
    const over = await desk.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    );
    expect(over).toBeLessThanOrEqual(0);
    await desk.close();
  });

  it("is offered on Plan: one tap books a part with its price, another compares what is there", async () => {
    await application.go(page, `/jobs/${jobId("open-find")}/plan`);
    await openTool(page, "Which part");
    await write(page, "Part to buy", "radiator");
    await tap(page, "Compare the 5 on the shelf");
    await page.waitForSelector('[role="img"][aria-label*="Coldbrook Parts €"]');
    await openTool(page, "Parts");
    await unfold(page, "By name");
    await write(page, "Part", "thermal");
    await page.locator("button::-p-text(thermal switch, maker's)").click();
    await allSent(page);
    await expect
      .poll(async () => (await bookWords(page)).at(-1))
      .toMatch(/Thermal switch: maker's, Coldbrook Parts/);
  });
});

describe("with no server to be had", () => {
  it("no page is taken away: each says that nothing was changed", async () => {
    await application.go(page, "/shelf");
    await page.setOfflineMode(true);
    await handIn("part,grade,supplier,price,days\nupper peg,pattern,Tansy & Rudge,3,1\n");
    await seen(page, "No server to be had: nothing was changed.");
    await page.setOfflineMode(false);
    await application.go(page, "/vehicles");
    await page.locator("#find").fill("mrw2417");
    await seen(page, "One vehicle");
    await expect.poll(() => page.$("::-p-text(and open a job)")).toBeNull();
  });
});

describe("a car by its plate alone", () => {
  it("is taken in with a job in one go, and says later what it is", async () => {
    await application.go(page, "/vehicles");
    await page.locator("#find").fill("mrw 9999");
    await tap(page, "Take in MRW 9999 and open a job");
    await page.waitForFunction(() => /\/jobs\/[0-9a-f-]{36}\/ask$/.test(location.pathname));
    await page.locator("a::-p-text(MRW 9999)").click();
    await seen(page, "Not known yet: its model and its VIN.");
    await write(page, "Make and model", "Quillon Finch");
    await write(page, "VIN", "0MRFNCH20XE00999");
    await tap(page, "Write it down");
    await seen(page, "A VIN has 17 letters and digits");
    await write(page, "VIN", "");
    await tap(page, "Write it down");
    await seen(page, "Not known yet: its VIN.");
    await page.locator("button::-p-text(the same model)").click();
    await seen(page, "not looked at on this one");
    await tap(page, "Looked at: it is so");
    await page.waitForFunction(() => !document.body.textContent.includes("not looked at on this one"));
  });
});
