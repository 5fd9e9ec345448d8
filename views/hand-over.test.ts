import { execFileSync } from "node:child_process";
import { randomUUID } from "node:crypto";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { sync } from "node-ical";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { BleedStep, Distance, dataOf } from "../core/book/facts/index.ts";
import { SCHOOL_WORDS, type School } from "../core/trade/bleed/index.ts";
import {
  Application,
  atDesk,
  demoId,
  jobId,
  newEntry,
  openJob,
  recordEntries,
  SHOP_ID,
} from "./support/application.ts";
import { passes } from "./support/clock.ts";
import type { Handle, ViewPage } from "./support/page.ts";
import {
  allSent,
  aNight,
  bookLine,
  bookWords,
  hoursPass,
  openTool,
  seen,
  tap,
  write,
} from "./support/walk.ts";

let application: Application;
let page: ViewPage;
let folder: string;
beforeAll(async () => {
  application = await Application.open();
  page = await application.signedIn("tobin");
  folder = mkdtempSync(join(tmpdir(), "hand-over-"));
});
afterAll(async () => {
  rmSync(folder, { recursive: true });
  await application.close();
});

/** A job whose radiator is in and empty: what the bench has done, straight into its book. */
async function emptyRadiator(vehicle: string): Promise<string> {
  const who = { shopId: SHOP_ID, personId: demoId("person:tobin") };
  const id = randomUUID();
  await atDesk(application.scratch.database, who, async (desk) => {
    await openJob(desk, { id, vehicleId: demoId(`vehicle:${vehicle}`), bay: "lift 1", assignedTo: null });
    await recordEntries(desk, id, [
      newEntry({
        stage: "ask",
        kind: "note",
        item: "complaint",
        text: "Wet under it",
        data: { fact: "complaint", v: 1 },
      }),
      newEntry({
        stage: "ask",
        kind: "reading",
        item: "distance",
        value: 200_000,
        unit: "km",
        data: dataOf(Distance, {}),
      }),
      newEntry({
        stage: "find",
        kind: "decision",
        item: "finding",
        text: "Core leaks",
        data: { fact: "finding", v: 1, finding: "fault" },
      }),
      newEntry({ account: "coolant", item: "drained", out: 4, unit: "L" }),
      newEntry({ account: "part", item: "radiator", out: 1 }),
      newEntry({ account: "part", item: "radiator", in: 1, stage: "build" }),
    ]);
  });
  return id;
}

type Hand = "keyboard" | "touch";

/** Waits until what is pressed next stays where it is: what was sent a moment ago may still move the page as it lands. */
async function stands(on: ViewPage, target: Handle | null): Promise<void> {
  await allSent(on);
  let last: number | undefined;
  for (let y = await topOf(target); y !== last; y = await topOf(target)) {
    last = y;
    await passes(STILL_MS);
  }
}
const STILL_MS = 80;
const topOf = (target: Handle | null) =>
  target?.evaluate((each) => Math.round(each.getBoundingClientRect().y));

async function press(on: ViewPage, name: string, hand: Hand): Promise<void> {
  const target = await on.waitForSelector(`::-p-aria([name="${name}"])`);
  await on.waitForFunction((each) => !each?.closest("[data-rests]"), {}, target);
  // As a person scrolls: what is tapped next may lie where the last one lay.
  await target?.evaluate((each) => each.scrollIntoView({ block: "center" }));
  await stands(on, target);
  if (hand === "touch") return tap(on, `[name="${name}"]`, "touch");
  await target?.focus();
  await on.keyboard.press("Enter");
}

const step = (on: ViewPage) =>
  on.evaluate(
    () => document.querySelector("[data-bleed-order]")?.parentElement?.firstElementChild?.textContent,
  );
const SLIP_MS = 1200;

/** One step of bleeding on; a second press where the first one slipped. */
async function goOn(on: ViewPage, name: string, hand: Hand): Promise<void> {
  const before = await step(on);
  for (let attempt = 0; attempt < 4 && (await step(on)) === before; attempt++) {
    await press(on, name, hand);
    await on
      .waitForFunction(
        (was) =>
          document.querySelector("[data-bleed-order]")?.parentElement?.firstElementChild?.textContent !== was,
        { timeout: SLIP_MS },
        before,
      )
      .catch(() => undefined);
  }
  await expect.poll(() => step(on)).not.toBe(before);
}

/** A night, and the engine read once after it. */
async function coldMorning(on: ViewPage): Promise<void> {
  await aNight(application, on);
  await bookLine(on, "ect 19");
}

/** A school from its first step to the last top-up of its first cycle. */
async function bleed(on: ViewPage, school: School, hand: Hand): Promise<void> {
  const begin = `Begin: ${SCHOOL_WORDS[school]}`;
  await openTool(on, "Air out");
  if (!(await on.$(`::-p-aria([name="${begin}"])`))) await on.locator("::-p-text(The other)").click();
  await press(on, begin, hand);
  await on.waitForSelector("[data-bleed-order]");
  for (let turn = 0; turn < 9; turn++) {
    const words = (await on.$eval("[data-bleed-order]", (each) => each.textContent)) ?? "";
    if (/let it cool/i.test(words)) await coldMorning(on);
    if (await on.$('::-p-aria([name="Topped up, and that was the last"])')) {
      await bookLine(on, "add 0.3 l");
      await goOn(on, "Topped up, and that was the last", hand);
      return;
    }
    await goOn(on, "Done: the next step", hand);
  }
  throw new Error(`${school} never came to its end`);
}

async function prove(on: ViewPage, job: string, hand: Hand): Promise<void> {
  await application.go(on, `/jobs/${job}/prove`);
  await openTool(on, "Proofs");
  const rows = await on.$$eval('[data-proof]:not([data-verdict="pass"])', (all) =>
    all.map((each) => each.querySelector("legend")?.textContent ?? ""),
  );
  expect(rows.length).toBeGreaterThan(3);
  const [first = "", ...rest] = rows;
  await press(on, `${first}: not seen`, hand);
  await press(on, "no tool for it", hand);
  for (const name of rest) await press(on, `${name}: pass`, hand);
  await openTool(on, "Cold check");
  await press(on, "Cold, at the line", hand);
  await allSent(on);
}

async function signed(on: ViewPage, job: string, km: string, hand: Hand): Promise<void> {
  await application.go(on, `/jobs/${job}/sign`);
  await write(on, "Distance now", "199000");
  await seen(on, "Read it again");
  await write(on, "Distance now", km);
  await press(on, "Book the distance", hand);
  await seen(on, "In the book:");
  await expect.poll(() => on.$('::-p-aria([name="Why may it go like this?"])')).toBeNull();
  await press(on, "Sign the job", hand);
  await press(on, "Yes, sign the job", hand);
  await seen(on, "Signed and locked");
}

/** The report as it comes to whoever taps the link, which says meanwhile that it is being made. */
async function paperOf(on: ViewPage, job: string, hand: Hand): Promise<string> {
  await on.evaluate(() => {
    const make = URL.createObjectURL.bind(URL);
    URL.createObjectURL = (file: Blob) => {
      void file.arrayBuffer().then((bytes) => Object.assign(window, { kept: [...new Uint8Array(bytes)] }));
      return make(file);
    };
  });
  const told = on.waitForFunction(() =>
    document.querySelector('a[aria-busy="true"]')?.textContent?.includes("being made"),
  );
  await press(on, "As PDF", hand);
  await told;
  await on.waitForFunction(() => "kept" in window);
  const kept = await on.evaluate(() => (window as unknown as { kept: number[] }).kept);
  const path = join(folder, `${job}.pdf`);
  writeFileSync(path, Buffer.from(kept));
  return execFileSync("pdftotext", ["-layout", path, "-"], { encoding: "utf8" }).replace(/\s+/g, " ");
}

describe("from an empty radiator to a signed report", () => {
  it.each([
    ["open-cap", "finch", "keyboard", "200 012"],
    ["bleed-screw", "drover", "touch", "200010"],
    ["electric-pump", "duo", "touch", "200009"],
  ] as const)("%s, by hand", async (school, vehicle, hand, km) => {
    const on = hand === "keyboard" ? page : await application.signedIn("tobin");
    const job = await emptyRadiator(vehicle);
    await application.go(on, `/jobs/${job}/fill`);
    await bookLine(on, "add 3.7 l 50%");
    await bleed(on, school, hand);
    await prove(on, job, hand);
    await signed(on, job, km, hand);
    await press(on, "The report", hand);
    await seen(on, "In short");
    const paper = await paperOf(on, job, hand);
    for (const words of [
      "Wet under it",
      "Core leaks",
      "no tool for it",
      "Nothing: the books balance",
      "Tobin Askel",
    ])
      expect(paper).toContain(words);
    expect(paper.includes("bleed once more")).toBe(school === "electric-pump");
    if (on !== page) await on.close();
  });
});

describe("an engine that cools", () => {
  it("is read off its log, and opened by the last reading of it alone", async () => {
    const job = await emptyRadiator("drover");
    await hoursPass(application, job, 3);
    const ago = (minutes: number) => new Date(Date.now() - minutes * 60_000).toISOString();
    const steps = [100, 98, 86, 74].map((minutes, step) =>
      newEntry({
        at: ago(minutes),
        stage: "fill",
        kind: "decision",
        item: "bleeding, open cap",
        text: `step ${step + 1}`,
        data: dataOf(BleedStep, { school: "open-cap", step, does: "starts" }),
      }),
    );
    await atDesk(
      application.scratch.database,
      { shopId: SHOP_ID, personId: demoId("person:tobin") },
      (desk) => recordEntries(desk, job, steps),
    );
    await application.go(page, `/jobs/${job}/fill`);
    await seen(page, "Not yet");
    const log = (seconds: number, tauS: number) => {
      const rows = Array.from({ length: seconds / 10 }, (_, index) => index * 10);
      const path = join(folder, `cooling-${seconds}-${tauS}.csv`);
      const celsius = (at: number) => Math.round(18 + 80 * Math.exp(-at / tauS));
      writeFileSync(path, ["time_s,coolant_C", ...rows.map((at) => `${at},${celsius(at)}`)].join("\n"));
      return path;
    };
    const hand = async (path: string) => {
      const input = await page.waitForSelector('input[aria-label="Log of the cool-down"]');
      await (input as Handle).uploadFile(path);
    };
    await hand(log(4200, 3300));
    await seen(page, "12 readings of cooling-4200-3300.csv");
    await tap(page, "Book these readings");
    await seen(page, "12 read since");
    await seen(page, "Not yet");
    await bookLine(page, "coolant 41");
    await seen(page, "It may be opened");
    await allSent(page);
  });
});

describe("a second look", () => {
  const JOB = jobId("s17");
  it("stands on Today when it is due, and is moved with a reason, then done", async () => {
    await application.go(page, "/");
    await page.locator(`a[href="/jobs/${JOB}/sign#looks"]`).click();
    await seen(page, "To look at again");
    await tap(page, "Another day: level again, and under it for trails");
    await tap(page, "Move it");
    await seen(page, "In 3 letters or more");
    await write(page, "Why then", "the courier is away");
    await tap(page, "Move it");
    await seen(page, "moved: level again");
    await allSent(page);
    await tap(page, "Done: level again, and under it for trails");
    await tap(page, "as it should be");
    await allSent(page);
    await expect.poll(async () => (await bookWords(page)).at(-1)).toMatch(/Second look done: level again/);
    await application.go(page, "/");
    await expect.poll(() => page.$(`a[href="/jobs/${JOB}/sign#looks"]`)).toBeNull();
  });

  it("of one's own is promised on a signed job too, and left out with a reason", async () => {
    await application.go(page, `/jobs/${JOB}/sign`);
    await tap(page, "Add one");
    await write(page, "What to look at", "hose at the heater");
    const soon = new Date(Date.now() + 3 * 86_400_000).toISOString().slice(0, 10);
    await page.$eval(
      'input[type="date"]',
      (field, day) => {
        const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")?.set;
        set?.call(field, day);
        field.dispatchEvent(new Event("input", { bubbles: true }));
      },
      soon,
    );
    await tap(page, "Promise it");
    await allSent(page);
    await application.go(page, "/watch");
    await seen(page, "hose at the heater");
    await application.go(page, `/jobs/${JOB}/sign`);
    await tap(page, "Leave it out: hose at the heater");
    await tap(page, "the owner looks himself");
    await allSent(page);
    await application.go(page, "/watch");
    await expect
      .poll(() => page.$eval("main", (main) => main.textContent))
      .not.toContain("hose at the heater");
  });

  it("is in a calendar that its address alone opens, until a lead changes it", async () => {
    const lead = await application.signedIn("maren");
    await application.go(lead, "/shop");
    await tap(lead, "Make an address");
    await seen(lead, "it is shown only now");
    const address = () =>
      lead.$$eval(
        "[role=status] .figure",
        (all) => all.map((each) => each.textContent ?? "").find((text) => text.includes(".ics")) ?? "",
      );
    const first = await address();
    const opened = async (url: string) => {
      const response = await fetch(url);
      return { status: response.status, text: await response.text() };
    };
    const { status, text } = await opened(first);
    expect(status).toBe(200);
    expect(Object.values(sync.parseICS(text)).some((each) => each?.type === "VEVENT")).toBe(true);
    expect((await opened(first.replace(/.\.ics$/, "_.ics"))).status).toBe(404);
    await tap(lead, "Change the address");
    await lead.waitForFunction(
      (was) =>
        ![...document.querySelectorAll("[role=status]")].some((each) => each.textContent?.includes(was)),
      {},
      first,
    );
    expect((await opened(first)).status).toBe(404);
    expect((await opened(await address())).status).toBe(200);
    await lead.close();
  });

  it("follows the rules that the shop makes", async () => {
    const lead = await application.signedIn("maren");
    await application.go(lead, "/shop");
    await tap(lead, "Change the rules");
    await tap(lead, "Take rule 2 out");
    await tap(lead, "Keep these rules");
    await lead.waitForFunction(
      () => !document.querySelector("main")?.textContent?.includes("bleed once more"),
    );
    await lead.close();
  });
});

describe("before against after", () => {
  it("lies over each other with its differences in words", async () => {
    const tablet = await application.signedIn("ilse");
    await application.go(tablet, `/jobs/${jobId("open-prove")}/prove`);
    await openTool(tablet, "Compare");
    await tap(tablet, "Lay them over each other");
    await seen(tablet, "Brought to the same air");
    await tablet.waitForSelector('svg[aria-label^="Before and after"]');
    await tablet.close();
  });
});
