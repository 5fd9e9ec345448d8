import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { Application, jobId } from "./support/application.ts";
import type { ViewPage } from "./support/page.ts";
import {
  allSent,
  aNight,
  bookLine,
  bookWords,
  openBalance,
  seen,
  tap,
  tapOn,
  unfold,
} from "./support/walk.ts";

let application: Application;
beforeAll(async () => {
  application = await Application.open();
});
afterAll(() => application.close());

const STEPS = [
  "Engine cold",
  "Battery off",
  "Car on stands",
  "Undertray off",
  "Coolant drained and measured",
  "Fan and switch plugs off",
  "Hoses off",
  "Shroud and fan out",
  "Brackets off, radiator out",
];
const BACK = [
  "Radiator in, brackets on",
  "Shroud and fan in",
  "Hoses on",
  "Fan and switch plugs on",
  "Drain shut",
  "Undertray on",
  "Car down off its stands",
  "Battery on",
];

/** The words that stand open in the book, the coolant's apart: nothing was poured yet. */
const openOfBuild = async (page: ViewPage) =>
  (await openBalance(page))
    .replace(/^Open: \d+|Nothing is open/, "")
    .replace(/[\d.,]+\s*L of coolant[^;]*lost/, "");

/** Waits until the entry line has taken what was typed; else says what it wants instead. */
async function taken(page: ViewPage, line: string): Promise<void> {
  await page
    .waitForFunction(() => document.querySelector<HTMLInputElement>("[data-entry-line]")?.value === "")
    .catch(async () => {
      const said = await page.$eval("aside", (book) => book.textContent?.slice(-300));
      throw new Error(`“${line}” is not taken: ${said}`);
    });
}

describe("from Plan to a complete Build", () => {
  it("by the entry line alone", async () => {
    const page = await application.signedIn("ilse");
    await application.go(page, `/jobs/${jobId("open-plan")}/plan`);
    const type = async (line: string) => {
      await page.keyboard.press("/");
      // Letter by letter it is typed in by-keyboard.test.ts.
      await page.locator("[data-entry-line]").fill(line);
      await page.keyboard.press("Enter");
      await taken(page, line);
      await page.keyboard.press("Escape");
    };
    await type("accept radiator");
    await type("order of work radiator with undertray");
    await type("upper hose soft and cool");
    for (const step of STEPS) await type(`step ${step.toLowerCase()} done`);
    for (const line of [
      "drain 5.2",
      "out 4 m8x25 upper brackets bag 1",
      "out 8 clip undertray",
      "unplug fan left",
      "tool out magnet",
      "broke 2 clips undertray",
      "in fan left plug",
      "in bag 1",
      "got clip undertray",
      "in 8 clip undertray",
      "tool in magnet",
    ])
      await type(line);
    for (const step of BACK) await type(`step ${step.toLowerCase()} back`);
    await allSent(page);
    await application.go(page, `/jobs/${jobId("open-plan")}/build`);
    await seen(page, "Nothing is out: all that came off is back.");
    await expect.poll(() => openOfBuild(page)).not.toMatch(/still|short|to do/);
    await page.close();
  });

  it("by touch alone, on a tablet", async () => {
    const page = await application.signedIn("tobin");
    const touch = (name: string) => tap(page, `[name="${name}"]`, "touch");
    await application.go(page, `/jobs/${jobId("open-ask")}/plan`);
    await tapOn(page, "button::-p-text(fan assembly, pattern)", "touch");
    for (const look of [
      "no freight damage",
      "right variant and year",
      "plug the same",
      "blades free",
      "nothing missing",
    ])
      await touch(look);
    await touch("Accept it: here, out of the box, undamaged");
    await seen(page, "Tobin Askel, ");
    await touch("Order of work");
    await touch("fan only");
    await touch("Take this order");
    await tapOn(page, 'nav[aria-label="Stages"] a[href$="/strip"]', "touch");
    await touch("Upper hose soft and cool");
    for (const step of ["Engine cold", "Battery off", "Fan and switch plugs off", "Shroud and fan out"])
      await touch(`Done: ${step}`);
    // Open where nothing is written out yet, folded where something is.
    if (await page.$('main h3 button[aria-expanded="false"]::-p-text(Write it out)'))
      await unfold(page, "Write it out");
    await touch("One more");
    await touch("2 × M6×20 into bag 1");
    await tapOn(page, 'nav[aria-label="Stages"] a[href$="/build"]', "touch");
    await touch("blades turn free by hand");
    await touch("Is back: Shroud and fan in");
    await touch("Is back: Fan and switch plugs on");
    await touch("Is back: Battery on");
    await touch("2 × M6×20, bag 1: all 2 back");
    await seen(page, "Nothing is out: all that came off is back.");
    await allSent(page);
    await page.close();
  });

  it("of a switch alone the swap writes what came out and went in, once", async () => {
    const page = await application.signedIn("tobin");
    await application.go(page, `/jobs/${jobId("open-prove")}/strip`);
    await bookLine(page, "order of work switch only");
    await aNight(application, page);
    await bookLine(page, "upper hose soft and cool");
    for (const step of ["engine cold", "battery off", "new switch in hand", "catch pan below"])
      await bookLine(page, `step ${step} done`);
    const done = await page.waitForSelector('::-p-aria([name="Done: Plug off, old switch out, new one in"])');
    await done?.click({ count: 2, delay: 40 });
    await seen(page, "steps of the order are done.");
    await allSent(page);
    await application.go(page, `/jobs/${jobId("open-prove")}/prove`);
    const lines = (await bookWords(page)).filter((line) => /fan switch/i.test(line));
    expect(lines).toHaveLength(2);
    await seen(page, "road test");
    await page.close();
  });

  it("and left with a clip and a tool missing it says so", async () => {
    const page = await application.signedIn("ilse");
    await application.go(page, `/jobs/${jobId("open-fill")}/build`);
    for (const text of ["out 1 clip undertray", "tool out magnet"]) {
      await page.locator("[data-entry-line]").fill(text);
      await page.keyboard.press("Enter");
    }
    await seen(page, "Left over or missing:");
    await seen(page, "clip, undertray still out; magnet still in the engine bay");
    await allSent(page);
    await application.go(page, `/jobs/${jobId("open-fill")}/sign`);
    await seen(page, "magnet still in the engine bay");
    await page.close();
  });
});
