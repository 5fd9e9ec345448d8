import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { Application, jobId } from "./support/application.ts";
import type { ViewPage } from "./support/page.ts";
import {
  allSent,
  aNight,
  bookLine,
  bookWords,
  openTool,
  readAnew,
  seen,
  tap,
  write,
} from "./support/walk.ts";

const FILL = `/jobs/${jobId("open-fill")}/fill`;

let application: Application;
let page: ViewPage;
beforeAll(async () => {
  application = await Application.open();
  page = await application.signedIn("tobin");
  await application.go(page, FILL);
});
afterAll(() => application.close());

const mainWords = (on = page) => on.$eval("main", (main) => (main.textContent ?? "").replace(/\s+/g, " "));
const order = (on = page) => on.$eval("[data-bleed-order]", (order) => order.textContent ?? "");
const next = async (on = page) => {
  const before = await order(on);
  await tap(on, "Done: the next step");
  await expect.poll(() => order(on)).not.toBe(before);
};
const read = async (celsius: string, on = page) => {
  await write(on, "Coolant reads", celsius);
  await tap(on, "Book the reading");
  await on.waitForFunction(
    (words) => document.querySelector("aside")?.textContent?.includes(words),
    {},
    `Coolant sensor ${celsius}`,
  );
};
const isShut = (on = page) =>
  on.$eval("::-p-text(Done: the next step)", (button) =>
    (button.closest("button") ?? (button as HTMLButtonElement)).hasAttribute("disabled"),
  );

describe("what to mix", () => {
  it("is worked out of what is in it now, told wrong beside its field, and booked as poured", async () => {
    await openTool(page, "Mix");
    const mix = await page.$eval("[data-mix]", (words) => words.textContent ?? "");
    expect(mix).toMatch(/^Pour 0\.\d+.L of it and 0\.\d+.L of distilled water\.$/);
    await write(page, "Instrument reads", "-80");
    await seen(page, "down to what a 60 % mix stands");
    await write(page, "Instrument reads", "-15");
    await page.waitForFunction(
      (before) => document.querySelector("[data-mix]")?.textContent !== before,
      {},
      mix,
    );
    await page.select('select:has(option[value="iat"])', "iat");
    await seen(page, "Do not mix them");
    await seen(page, "Flush it first");
    await page.select('select:has(option[value="iat"])', "");
    await seen(page, "The same kind");
    const coolant = 'select:has(option[value="shelf: Alder Universal, hoat"])';
    await page.select(coolant, "shelf: Hearth Green, iat");
    await seen(page, "read whether the can names it");
    await page.select(coolant, "shelf: Alder Universal, hoat");
    await seen(page, "Its can names Norm K3");
    await seen(page, "it shortens its life");
    await page.select(coolant, "card's");
    await write(page, "Room over the line", "0.05");
    await seen(page, "or it pushes coolant out");
  });
});

describe("getting the air out", () => {
  it("begins with the school that suits the car, keeps its clock over a reload, and on a second browser", async () => {
    // It waits for heat: it is hot, or was, until somebody has looked.
    await aNight(application, page);
    await openTool(page, "Air out");
    await tap(page, "Begin: expansion tank");
    await seen(page, "step 1 of 5");
    expect(await isShut()).toBe(true);
    await tap(page, "Upper hose soft and cool");
    await next();
    await seen(page, "until");
    const clock = () =>
      page.$eval('[role="timer"]', (timer) => (timer.parentElement?.textContent ?? "").split("until"));
    const [left, until] = await clock();
    expect(left).toMatch(/^1[12]:\d\d$/);
    await allSent(page);
    await readAnew(page);
    await page.waitForSelector('[role="timer"]');
    await expect.poll(async () => (await clock())[1]).toBe(until);
    const tablet = await application.signedIn("ilse");
    await application.go(tablet, "/?by=waits");
    await expect.poll(() => mainWords(tablet)).toMatch(/bleeding, expansion tank/i);
    await application.go(tablet, FILL);
    expect(await order(tablet)).toBe(await order());
    await next(tablet);
    await allSent(tablet);
    await page.waitForFunction(() => document.body.textContent?.includes("step 3 of 5"));
    await tablet.close();
  });

  it("is stopped by a reading over the limit, and stays shut until one says that it may be opened", async () => {
    await read("112");
    await seen(page, "Stopped: 112");
    await read("46");
    await seen(page, "no engine cools so fast");
    await expect
      .poll(() =>
        page.$eval("::-p-aria(Cold again: go on from the warm-up)", (each) => each.hasAttribute("disabled")),
      )
      .toBe(true);
    await read("45");
    await seen(page, "Not yet");
    await tap(page, "Upper hose soft and cool");
    await seen(page, "Not yet");
    await aNight(application, page);
    await read("21");
    await seen(page, "It may be opened");
    await tap(page, "Cold again: go on from the warm-up");
    await seen(page, "step 2 of 5");
    await bookLine(page, "ect 111");
    await seen(page, "Stopped: 111");
    await aNight(application, page);
    await tap(page, "Upper hose soft and cool");
    await seen(page, "It may be opened");
    await tap(page, "Cold again: go on from the warm-up");
    await seen(page, "step 2 of 5");
  });

  it("goes on while the network is gone, round by round, and each top-up is one stair", async () => {
    await page.setOfflineMode(true);
    await next();
    await next();
    await seen(page, "Not yet");
    await expect.poll(() => isShut()).toBe(true);
    await read("48");
    await seen(page, "no engine cools so fast");
    await page.setOfflineMode(false);
    await allSent(page);
    await aNight(application, page);
    await page.setOfflineMode(true);
    await read("21");
    await seen(page, "It may be opened");
    await next();
    await page.locator("[data-entry-line]").fill("add 0.4 l");
    await page.keyboard.press("Enter");
    await tap(page, "Topped up: once more round");
    await seen(page, "still to come");
    await page.setOfflineMode(false);
    await allSent(page);
    await application.go(page, FILL);
    await expect.poll(() => mainWords()).toMatch(/cycle 2/);
    await expect
      .poll(() => page.$eval('svg[aria-label^="Topped up"]', (svg) => svg.getAttribute("aria-label")))
      .toMatch(/^Topped up 0\.4.L; still to come/);
    await expect
      .poll(async () => (await bookWords(page)).filter((line) => line.includes("cycle 1 topped up")))
      .toHaveLength(1);
  });

  it("is out only when every sign was seen; what wasn't is named", async () => {
    await expect.poll(() => mainWords()).toContain("Not out yet");
    for (const sign of ["no bubbles", "heater blows hot", "no gurgle behind the dash"])
      await page.locator(`[aria-label="${sign}"] button::-p-text(It is so)`).click();
    await allSent(page);
    await application.go(page, FILL);
    const pressed = await page.$$eval('[role="radio"][aria-checked="true"]', (chips) => chips.length);
    expect(pressed).toBeGreaterThanOrEqual(3);
  });

  it("is over by a person's word, and can be taken up again", async () => {
    await next();
    await next();
    await allSent(page);
    await aNight(application, page);
    await read("20");
    await next();
    await tap(page, "Topped up, and that was the last");
    await seen(page, "2 cycles, ended");
    await allSent(page);
    await application.go(page, "/");
    await expect.poll(() => mainWords()).not.toMatch(/bleeding, expansion tank.*to go/i);
    await application.go(page, FILL);
    await tap(page, "One more round");
    await seen(page, "step 2 of 5");
  });

  it("takes no figure of another kind for litres or degrees", async () => {
    await write(page, "Coolant reads", "50 L");
    await seen(page, "A temperature of coolant.");
    await write(page, "How much", "50 °C");
    await seen(page, "More than 0, at most");
  });
});

describe("a pressure test", () => {
  it("is read off reading by reading, judged, begun anew, and booked", async () => {
    await application.go(page, FILL.replace("fill", "prove"));
    await openTool(page, "Pressure");
    await write(page, "Gauge reads", "-5");
    await seen(page, "A pressure from nothing up.");
    await write(page, "Gauge reads", "110");
    await tap(page, "Begin with this");
    await seen(page, "One reading tells no fall");
    await write(page, "Gauge reads", "60");
    await tap(page, "Book this reading");
    await seen(page, "hold it 10 to 15 min");
    await write(page, "Gauge reads", "58");
    await tap(page, "Book this reading");
    await seen(page, "It leaks.");
    await tap(page, "Book that: it leaks");
    await write(page, "Gauge reads", "110");
    await tap(page, "Begin anew with it");
    await seen(page, "One reading tells no fall");
    await allSent(page);
    await expect
      .poll(async () => (await bookWords(page)).some((line) => /Pressure test: It leaks/i.test(line)))
      .toBe(true);
  });
});
