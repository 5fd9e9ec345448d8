import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { Application, jobId } from "./support/application.ts";
import { passes } from "./support/clock.ts";
import type { ViewPage } from "./support/page.ts";
import { allSent, bookWords, readAnew, seen, tap, write as writeOn } from "./support/walk.ts";

let application: Application;
let page: ViewPage;
beforeAll(async () => {
  application = await Application.open();
  page = await application.signedIn("tobin");
});
afterAll(() => application.close());

const write = (label: string, text: string) => writeOn(page, label, text);
const choose = (label: string, value: string) => page.locator(`select[aria-label="${label}"]`).fill(value);
const plan = (key: string, on = page) => application.go(on, `/jobs/${jobId(key)}/plan`);
const tabOf = (name: string, on = page) => on.locator(`[role="tab"]::-p-text(${name})`).click();

async function offer(nth: number, supplier: string, price: string, days: string): Promise<void> {
  await write(`Supplier of option ${nth}`, supplier);
  await write(`Price of option ${nth}`, price);
  await write(`Days to wait of option ${nth}`, days);
}

describe("which part", () => {
  it("asks what breaks them before a third radiator is bought", async () => {
    await plan("open-prove");
    await tabOf("Which part");
    await write("Part to buy", "radiator");
    await seen(page, "This vehicle has had 2 of it already");
    await seen(page, "Is it mounted solid?");
    await write("Part to buy", "thermostat");
    await page.waitForFunction(() => !document.body.textContent.includes("has had 2 of it already"));
  });

  it("says beside a field what is wrong with it, and compares what is sound", async () => {
    await plan("open-find");
    await tabOf("Which part");
    await write("Part to buy", "Fan motor");
    await offer(1, "Coldbrook Parts", "0", "-3");
    await seen(page, "A price of 0 is no price");
    await seen(page, "Days from 0 to 365.");
    await offer(1, "Coldbrook Parts", "412,50", "3");
    await offer(2, "Tansy & Rudge", "149", "1");
    // 3 h at 60, the part and three days at 40, and next to nothing for doing it again.
    await page.waitForSelector('[role="img"][aria-label*="maker\'s, Coldbrook Parts €7"]');
    await seen(page, "comes cheaper than pattern, Tansy & Rudge.");
    await seen(page, "What each school would take");
  });

  it("keeps what was typed over a reload, and books the choice with its reason, price and guarantee", async () => {
    await readAnew(page);
    await page.waitForSelector('::-p-aria([name="Choose this: maker\'s, Coldbrook Parts"])');
    await write("Why this one, if not for what decides it", "The owner wants no second visit");
    await tap(page, "Choose this: maker's, Coldbrook Parts");
    await allSent(page);
    await expect
      .poll(async () => (await bookWords(page)).at(-1))
      .toMatch(/maker's, Coldbrook Parts\. The owner wants no second visit/);
    const [[row]] = (await application.scratch.owner.sequelize.query(
      "SELECT data FROM entries WHERE job_id = $1 ORDER BY seq DESC LIMIT 1",
      { bind: [jobId("open-find")] },
    )) as [[{ data: object }], unknown];
    expect(row.data).toMatchObject({ fact: "chosen-part", priceCents: 41_250, partDays: 730, labourDays: 0 });
    await tabOf("Parts");
    await seen(page, "Accept it: here, out of the box, undamaged");
  });

  it("takes up to five, and leaves one out again", async () => {
    await tabOf("Which part");
    for (let more = 0; more < 3; more++) await tap(page, "One more option");
    await expect.poll(() => page.$("::-p-aria(One more option)")).toBeNull();
    await tap(page, "Leave out option 5");
    await page.waitForSelector("::-p-aria(One more option)");
  });

  it("shuts nobody out, filled in", async () => {});
});

describe("the parts gate", () => {
  it("refuses a part under a name, and keeps the car shut for it but for a written reason", async () => {
    await plan("open-find");
    await tabOf("Parts");
    await tap(page, "Refuse it: fan motor");
    await seen(page, "Say what is wrong with it.");
    await write("Or what is wrong with it", "Blades cracked in the box");
    await tap(page, "Refuse it: fan motor");
    await seen(page, "fan motor refused: Blades cracked in the box; another to come");
    await allSent(page);
    await application.go(page, `/jobs/${jobId("open-find")}/strip`);
    await seen(page, "was refused: Blades cracked in the box");
    await expect.poll(() => page.$("::-p-aria(undertray)")).toBeNull();
    await tap(page, "Open it without");
    await seen(page, "Write down why");
    await write("Why it has to be opened all the same", "It has to be off the lift by noon");
    await tap(page, "Open it without");
    await seen(page, "Opened without fan motor: It has to be off the lift by noon.");
    await page.waitForSelector("::-p-aria(undertray)");
    await allSent(page);
  });

  it("opens by itself once what came was looked over and accepted", async () => {
    await plan("open-find");
    await tap(page, "Take it back: fan motor");
    for (const look of [
      "no freight damage",
      "right variant and year",
      "plug the same",
      "blades free",
      "nothing missing",
    ])
      await tap(page, look);
    await tap(page, "Accept it: here, out of the box, undamaged");
    await seen(page, "Tobin Askel, ");
    await allSent(page);
    await expect.poll(async () => (await bookWords(page)).at(-1)).toMatch(/blades free/);
    await application.go(page, `/jobs/${jobId("open-find")}/strip`);
    await page.waitForSelector("::-p-aria(undertray)");
    await expect.poll(() => page.$("main ::-p-text(Opened without)")).toBeNull();
  });
});

describe("does it fit", () => {
  it("a thick all-metal radiator doesn't, and says what it touches and what moves back", async () => {
    await plan("open-build");
    await tabOf("Does it fit");
    await write("Overall depth, old one", "45");
    await write("Overall depth, new one", "72");
    await write("Core thickness, old one", "26");
    await write("Core thickness, new one", "56");
    await write("Room behind its face", "150");
    await write("Fan in that room, deep", "80");
    await write("What stands behind it", "the belt");
    await seen(page, "It doesn't fit");
    await seen(page, "It touches the belt: 7 mm too deep at worst.");
    await seen(page, "Everything behind it moves 30 mm back");
    await page.waitForSelector('[role="img"][aria-label*="new, -2 mm left, -7 at worst, before the belt"]');
    await tap(page, "Take the remedy into this job");
    await allSent(page);
    await application.go(page, `/jobs/${jobId("open-build")}/build`);
    await seen(page, "so that the new part fits");
    await plan("open-build");
    await tabOf("Does it fit");
    await tap(page, "Book what was compared");
    await allSent(page);
    await expect
      .poll(async () => (await bookWords(page)).at(-1))
      .toMatch(/old and new compared[\s\S]*touches the belt[\s\S]*fail/i);
  });

  it("a slim fan that blows the other way doesn't, whichever side the wheel is on", async () => {
    await tap(page, "Clear it");
    await tap(page, "wheel on the right");
    await choose("Engine outlet feeds the neck on the, old one", "driver");
    await choose("Engine outlet feeds the neck on the, new one", "passenger");
    await seen(page, "It is on the left, and its hose comes from the right.");
    await write("Blades, old one", "7");
    await write("Blades, new one", "11");
    await choose("Fan pulls toward the engine, old one", "yes");
    await choose("Fan pulls toward the engine, new one", "no");
    await seen(page, "It blows the other way.");
    await write("Overall width, new one", "wide");
    await seen(page, "A length in mm, such as 34 or 34.5.");
  });
});

describe("will it cool", () => {
  const CORE = [
    ["Core, wide", "640"],
    ["Core, high", "400"],
    ["Core, thick", "26"],
  ] as const;
  it("a slim fan cools less than today's, with the range it may be in, and what isn't known is said", async () => {
    await plan("open-find");
    await tabOf("Will it cool");
    await write("Fan draws, in the car", "22");
    await seen(page, "without it nothing is known");
    await write("Fan draws, new", "8,5");
    await seen(page, "Measure the core's width");
    for (const which of ["in the car", "new"])
      for (const [what, mm] of CORE) await write(`${what}, ${which}`, mm);
    await seen(page, "It cools less than today's, whatever isn't known");
    await seen(page, "Taken for the same on both: what the fan leaves free");
    await write("An added cooler stands before", "140");
    await seen(page, "From 0 to 100.");
    await write("An added cooler stands before", "");
    await tap(page, "Book it");
    await allSent(page);
    await expect
      .poll(async () => (await bookWords(page)).at(-1))
      .toMatch(/Will it cool: It cools less.*fail/);
  });
});

describe("a bolt", () => {
  it("is the next on the shelf, drawn, and refused where it would bottom", async () => {
    await plan("open-build");
    await tabOf("Bolt");
    await write("Through, from its head on", "1,6 + 3 + 8");
    await page.waitForSelector('[role="img"][aria-label^="The bolt goes through 1.6, 3, 8 mm and 7.4 mm"]');
    await seen(page, "M6×20");
    await tap(page, "hole in plastic");
    await write("Hole, deep", "12.8");
    await seen(page, "it would bottom before it clamps");
    await write("Through, from its head on", "8 + washer");
    await seen(page, "Thicknesses in mm with + between them");
  });
});

describe("fan wiring", () => {
  it("names every wire, and prints on one sheet", async () => {
    await plan("open-build");
    await tabOf("Fan wiring");
    await write("Motor draws", "22");
    await write("Lead, one way", "1.8");
    await seen(page, "40 A");
    await seen(page, "With the key off the coil has no feed");
    await tap(page, "self-contained");
    await seen(page, "unit: manual trigger");
    await seen(page, "Not used here");
    await tap(page, "It ran: on the bench");
    await page.locator('[aria-labelledby="followed"] button::-p-text(It is on)').click();
    await allSent(page);
    await expect
      .poll(async () => (await bookWords(page)).slice(-2).join())
      .toMatch(/fused lead before it went in: pass.*is on/);
    await write("Motor draws", "90");
    await seen(page, "outside 0.5 to 64");
    await write("Motor draws", "18");
    await tap(page, "Book it");
    await allSent(page);
    await expect.poll(async () => (await bookWords(page)).at(-1)).toMatch(/Fan wiring: self-contained/);
  });
});

describe("the order of work", () => {
  it("is made of what the car has, moved by hand, and refused where it can't work", async () => {
    await plan("open-build");
    await tabOf("Order of work");
    await tap(page, "condenser");
    await tap(page, "undertray");
    await seen(page, "Condenser unhooked and hung up");
    await tap(page, "Earlier: Brackets off, radiator out");
    await seen(page, "it would hang by its lines.");
    await tap(page, "Later: Engine cold");
    await page.waitForSelector('ol[aria-label="Order of work"] li:first-child ::-p-text(Battery off)');
    await tap(page, "Take this order");
    await allSent(page);
    await expect
      .poll(async () => (await bookWords(page)).at(-1))
      .toMatch(/Order of work: radiator, \d+ steps, .+ of work/);
  });

  it("shows the step in hand on Strip, and two taps are one step", async () => {
    await application.go(page, `/jobs/${jobId("open-build")}/strip`);
    await seen(page, "Step 1 of");
    const done = await page.waitForSelector('::-p-aria([name="Done: Battery off"])');
    await done.click({ count: 2 });
    await seen(page, "Step 2 of");
    await allSent(page);
    await passes(1200);
    await seen(page, "Step 2 of");
    await expect.poll(async () => (await bookWords(page)).at(-1)).toMatch(/Battery off: done/);
    await readAnew(page);
    await seen(page, "Step 2 of");
  });
});
