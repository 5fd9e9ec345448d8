import type { Page } from "puppeteer-core";
import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { decided, promisedReady, waits } from "../core/book/acts/index.ts";
import { momentInZone } from "../core/kernel/days/index.ts";
import { jobId } from "../demo/seed.ts";
import type { PersonKey } from "../demo/shop.ts";
import { Application, PHONE, readAnew, TABLET } from "./support/application.ts";
import { clockAt, inTheMorning, minutesOf, openMany, slipsOf, wholeDay } from "./support/day.ts";
import { isKept } from "./support/kept.ts";
import { pictureOfFailure, seen, sendLines, tap } from "./support/walk.ts";

const HANDS = ["Ilse Vantry", "Maren Oke", "Tobin Askel"];

let application: Application;
let page: Page;
let zone: string;
beforeAll(async () => {
  application = await Application.open({ keepsProgram: true });
  zone = await inTheMorning(application);
  page = await application.signedIn("maren");
});
afterAll(() => application.close());
afterEach(({ task }) => pictureOfFailure(page, task));

const all = async (of: Page) => (await Promise.all(HANDS.map((name) => slipsOf(of, name)))).flat();
/** Waits until the day that is on screen is one that this holds of. */
async function until(holds: () => Promise<boolean>): Promise<void> {
  try {
    await expect.poll(holds, { timeout: 45_000 }).toBe(true);
  } catch {
    const hands = await page.evaluate(
      () =>
        `${document.activeElement?.outerHTML.slice(0, 120)}\n${document.querySelector("main")?.textContent?.slice(0, 600)}`,
    );
    throw new Error(`The day that is on screen instead:\n${(await wholeDay(page)).join("\n")}\n${hands}`);
  }
}
const setTime = (of: Page, label: string, clock: string) =>
  of.evaluate(
    (name, value) => {
      const field = [
        ...document.querySelectorAll<HTMLInputElement>('[role="dialog"] input[type="time"]'),
      ].find((each) => each.labels?.[0]?.textContent === name);
      if (!field) throw new Error(`no field ${name}`);
      Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")?.set?.call(field, value);
      field.dispatchEvent(new Event("input", { bubbles: true }));
    },
    label,
    clock,
  );

describe("the day", () => {
  it("is laid without anybody arranging anything, and reads by its names alone", async () => {
    await application.go(page, "/");
    const slips = await all(page);
    expect(new Set(slips.map(({ plate }) => plate)).size).toBeGreaterThanOrEqual(4);
    for (const { label, from, until: ends } of slips) {
      expect(label).toMatch(/^\d\d:\d\d to \d\d:\d\d; MRW \d{4} \w/);
      expect(minutesOf(ends)).toBeGreaterThan(minutesOf(from));
    }
    // Nobody is at two cars at once.
    for (const name of HANDS) {
      const own = await slipsOf(page, name);
      for (const [index, slip] of own.entries())
        if (own[index + 1])
          expect(minutesOf(slip.until)).toBeLessThanOrEqual(minutesOf(own[index + 1]?.from ?? ""));
    }
    await seen(page, "When is it ready?");
  });

  it("has the words of a short slip behind it, over no other slip", async () => {
    const lanes = await page.$$eval("[data-lane]", (all) =>
      all.map((lane) => ({
        words: [...lane.querySelectorAll("[data-beside] > span")]
          .filter((each) => each.checkVisibility())
          .map((each) => ({
            text: each.textContent ?? "",
            box: each.getBoundingClientRect().toJSON() as DOMRect,
          })),
        slips: [...lane.querySelectorAll("button")].map(
          (each) => each.getBoundingClientRect().toJSON() as DOMRect,
        ),
      })),
    );
    expect(lanes.flatMap(({ words }) => words).length).toBeGreaterThan(2);
    for (const { words, slips } of lanes)
      for (const { text, box } of words)
        for (const slip of slips) {
          const isOver =
            box.left < slip.right - 1 &&
            slip.left < box.right - 1 &&
            box.top < slip.bottom - 1 &&
            slip.top < box.bottom - 1;
          expect(isOver, text).toBe(false);
        }
  });

  it("goes round two who are away at noon, noted by the mouse and by keys", async () => {
    for (const [name, how] of [
      ["Ilse Vantry", "mouse"],
      ["Tobin Askel", "keys"],
    ] as const) {
      if (how === "mouse") await tap(page, name);
      else {
        await page.focus(`section[aria-label="${name}'s day"] h2 button`);
        await page.keyboard.press("Enter");
      }
      await page.waitForSelector(`[role="dialog"][aria-label="${name}: away"]`);
      await setTime(page, "From", "11:00");
      await setTime(page, "Until", "14:00");
      await page.locator('[role="dialog"] button[type="submit"]').click();
      await seen(page, "away from 11:00");
      await page.keyboard.press("Escape");
      await until(async () =>
        (await slipsOf(page, name)).every(
          ({ from, until: ends }) =>
            minutesOf(from) >= minutesOf("14:00") || minutesOf(ends) <= minutesOf("11:00"),
        ),
      );
      await page.waitForFunction(() => !document.querySelector('[role="dialog"]'));
    }
  });

  it("waits for a late van, and says of what it waits", async () => {
    const day = new Intl.DateTimeFormat("sv-SE", { timeZone: zone }).format(new Date());
    const van = new Date(momentInZone(`${day} 15:30`, zone)).toISOString();
    await sendLines(page, `/jobs/${jobId("open-plan")}`, [
      { ...waits("parts", "radiator on the late van", van), stage: "plan" },
    ]);
    await readAnew(page);
    await until(async () => {
      const boxes = (await all(page)).filter(({ label }) => /out of the box/i.test(label));
      return boxes.length > 0 && boxes.every(({ from }) => minutesOf(from) >= minutesOf("15:30"));
    });
  });

  it("holds a slip a quarter later by Shift and an arrow, says what gave way, and shows another browser the same", async () => {
    // One with a quarter of an hour to spare before the shop closes, that wants nobody else's hands.
    const before = (await slipsOf(page, "Maren Oke"))
      .filter(
        ({ label, until: ends }) => minutesOf(ends) <= minutesOf("17:15") && !/radiator in/i.test(label),
      )
      .at(-1);
    if (!before) throw new Error("she has something to do");
    await page.focus(`[data-lane] button[aria-label="${before.label}"]`);
    await page.keyboard.down("Shift");
    await page.keyboard.press("ArrowRight");
    await page.keyboard.up("Shift");
    // What is said is cut to whole minutes: half a minute more may be nearer to the next quarter.
    const wanted = [0, 0.99].map((more) =>
      clockAt(Math.round((minutesOf(before.from) + more + 15) / 15) * 15),
    );
    await until(async () =>
      (await all(page)).some(
        ({ plate, from, isHeld }) => isHeld && plate === before.plate && wanted.includes(from),
      ),
    );
    await page.waitForFunction(() =>
      /is ready|Nothing else had to give way/.test(document.body.textContent ?? ""),
    );
    const other = await application.signedIn("tobin");
    await application.go(other, "/");
    await until(async () => JSON.stringify(await wholeDay(other)) === JSON.stringify(await wholeDay(page)));
  });

  it("holds a slip to whom it is dragged to", async () => {
    const [slip] = (await slipsOf(page, "Maren Oke")).filter(({ isHeld }) => !isHeld);
    if (!slip) throw new Error("she has something to do");
    const handle = await page.$(`[data-person] button[aria-label="${slip.label}"]`);
    const from = await handle?.boundingBox();
    const to = await (await page.$('section[aria-label="Tobin Askel\'s day"] [data-person]'))?.boundingBox();
    if (!from || !to) throw new Error("they are on screen");
    const x = from.x + from.width / 2;
    await page.mouse.move(x, from.y + 20);
    await page.mouse.down();
    await page.mouse.move(x, (from.y + to.y) / 2, { steps: 5 });
    await page.mouse.move(x, to.y + 30, { steps: 5 });
    await page.mouse.up();
    await until(async () =>
      (await slipsOf(page, "Tobin Askel")).some(({ plate, isHeld }) => isHeld && plate === slip.plate),
    );
    // A drag is no tap: nothing has opened.
    expect(await page.$('[role="dialog"]')).toBeNull();
  });

  it("is held and let go by touch, and whoever hasn't seen that is told", async () => {
    const tablet = await application.signedIn("ilse", { ...TABLET, width: 1024, height: 768 });
    await application.go(tablet, "/");
    const [slip] = (await all(tablet)).filter(({ isHeld, label }) => !isHeld && !/second look/i.test(label));
    if (!slip) throw new Error("something isn't held");
    const open = async (of: Page, word: string) => {
      await (await of.waitForSelector(`[data-lane] button[aria-label="${slip.label}"]`))?.tap();
      await of.waitForSelector('[role="dialog"] ul');
      await (await of.waitForSelector(`[role="dialog"] li button::-p-text(${word})`))?.tap();
    };
    await application.go(page, "/");
    await open(page, "Hold");
    await open(tablet, "Hold");
    await setTime(tablet, "At", "16:15");
    await tap(tablet, "Hold it", "touch");
    await until(async () =>
      (await all(tablet)).some(
        ({ plate, from, isHeld }) => isHeld && plate === slip.plate && from === "16:15",
      ),
    );
    await setTime(page, "At", "16:30");
    await tap(page, "Hold it");
    await seen(page, "Ilse Vantry has held it meanwhile");
    await tablet.browserContext().close();
  });

  it("keeps what an owner was told as a line of the book, and says how late that makes it", async () => {
    await application.go(page, "/");
    const told = await page.waitForSelector('button[aria-label$=": tell the owner"]');
    const plate = await told?.evaluate((each) => each.getAttribute("aria-label")?.split(":")[0] ?? "");
    await told?.click();
    await page.waitForSelector('[role="dialog"] form');
    await setTime(page, "At", "23:50");
    await tap(page, "Book it");
    await page.waitForFunction(
      (each) =>
        [...document.querySelectorAll("li")].some(
          (row) => row.textContent?.includes(each ?? "") && row.textContent.includes("told"),
        ),
      {},
      plate,
    );
  });

  it("tells each on a phone what is theirs: now, next, later; and anywhere by g n", async () => {
    const phone = await application.signedIn("maren", PHONE);
    await application.go(phone, "/mine");
    const rows = await phone.$$eval('ol[aria-label="Mine"] li', (each) =>
      each.map((row) => row.textContent ?? ""),
    );
    expect(rows.length).toBeGreaterThan(1);
    expect(rows[0]).toMatch(/^(?:now|next)MRW \d{4}/);
    expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(PHONE.width);
    await phone.browserContext().close();
    await application.go(page, "/watch");
    await page.keyboard.press("g");
    await page.keyboard.press("n");
    await page.waitForFunction(() => location.pathname === "/mine");
    await page.waitForSelector('ol[aria-label="Mine"] a');
  });

  it("goes by the book where somebody else did it, out of order, and wrote it on paper at night", async () => {
    await application.go(page, "/");
    const finds = async () =>
      (await all(page)).filter(({ plate, label }) => plate === "MRW 5610" && /find what it is/i.test(label));
    const [find] = await finds();
    if (!find) throw new Error("it is to be found");
    const has = async (name: string) => (await slipsOf(page, name)).some(({ label }) => label === find.label);
    const isTheirs = await Promise.all(HANDS.map(has));
    const other = HANDS.find((_, at) => !isTheirs[at])
      ?.split(" ")[0]
      ?.toLowerCase() as PersonKey;
    const theirs = await application.signedIn(other);
    await application.go(theirs, "/");
    const lastNight = new Date(Date.now() - 10 * 3_600_000).toISOString();
    await sendLines(theirs, `/jobs/${jobId("open-ask")}`, [
      { ...decided("motor", "the fan motor"), stage: "find", at: lastNight },
    ]);
    await readAnew(page);
    await until(async () => (await finds()).length === 0);
    const next = (await all(page)).filter(({ plate }) => plate === "MRW 5610");
    expect(next.length).toBeGreaterThan(0);
    expect(await page.$('[role="alert"]')).toBeNull();
    await theirs.browserContext().close();
  });

  it("stands as it was laid last where no server is to be had, and says since when", async () => {
    await application.go(page, "/watch");
    await page.locator('nav[aria-label="Places"] a::-p-text(Today)').click();
    await seen(page, "When is it ready?");
    await isKept(page);
    await page.waitForSelector("[data-lane] button");
    const before = await wholeDay(page);
    await application.kill();
    await page.locator('nav[aria-label="Places"] a::-p-text(Mine)').click();
    await seen(page, "as it was laid at");
    await page.locator('nav[aria-label="Places"] a::-p-text(Today)').click();
    await seen(page, "as it was laid at");
    await expect.poll(() => wholeDay(page)).toEqual(before);
    await application.start();
  });

  it("has room for forty, with one that came last and must go first", async () => {
    await application.go(page, "/");
    const jobs = await openMany(application, 34);
    expect(jobs.length).toBe(34);
    const first = jobs[17];
    if (!first) throw new Error("a car that is urgent");
    const soon = new Date(Date.now() + 90 * 60_000).toISOString();
    await sendLines(page, `/jobs/${first.id}`, [{ ...promisedReady(soon, "soon"), stage: "ask" }]);
    await readAnew(page);
    await seen(page, "40 jobs in hand");
    // Whoever comes last and is promised first is heard and looked at before that.
    const due = new Intl.DateTimeFormat("sv-SE", { timeZone: zone, timeStyle: "short" }).format(
      Date.parse(soon),
    );
    await until(async () => {
      const own = (await all(page)).filter(({ plate }) => plate === first.plate);
      return own.length > 0 && own.every(({ until: ends }) => minutesOf(ends) <= minutesOf(due));
    });
    for (const { plate } of jobs) await page.waitForSelector(`button[aria-label="${plate}: tell the owner"]`);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(1280);
  });
});
