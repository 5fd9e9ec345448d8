import { writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { Application, jobId } from "./support/application.ts";
import { passes } from "./support/clock.ts";
import type { Handle, ViewPage } from "./support/page.ts";
import {
  allSent,
  bookedLines,
  bookLine,
  bookWords,
  openBalance,
  seen,
  settled,
  tap,
  unfold,
  write,
} from "./support/walk.ts";

let application: Application;
let page: ViewPage;
beforeAll(async () => {
  application = await Application.open();
  page = await application.signedIn("tobin");
});
afterAll(() => application.close());

const stage = (name: string, job = "open-find") => `/jobs/${jobId(job)}/${name}`;
const go = (name: string, job?: string) => application.go(page, stage(name, job));
const chipIsOn = (name: string) =>
  page.$$eval(
    "button",
    (buttons, text) => buttons.some((each) => each.textContent === text && each.dataset.state === "on"),
    name,
  );

describe("a distance that has fallen", () => {
  it("is told as it is typed, in the line and on Ask alike", async () => {
    await go("ask");
    await page.locator("[data-entry-line]").fill("distance 12 km");
    await seen(page, "Is that meant? Wanted:");
    await page.locator("[data-entry-line]").fill("distance 999 999 km");
    await seen(page, "Enter books it.");
    expect(await page.$eval("body", (body) => body.textContent)).not.toContain("Is that meant?");
    await page.locator("[data-entry-line]").fill("");
    await go("ask", "open-ask");
    await write(page, "Distance", "12");
    await seen(page, "already. Look again, or book it");
    await write(page, "Distance", "");
  });
});

describe("taps", () => {
  it("into a bag count each, however quick", async () => {
    await go("strip");
    await unfold(page, "Write it out");
    const before = await bookedLines(page);
    const put = await page.waitForSelector("::-p-aria(1 × M6×20 into bag 1)");
    await put?.evaluate((button) => {
      (button as HTMLButtonElement).click();
      (button as HTMLButtonElement).click();
    });
    await seen(page, "bag 1 is 2 M6×20 short");
    await allSent(page);
    await expect.poll(() => bookedLines(page)).toBe(before + 2);
  });

  it("of one back by two people are two, and of the last one are one", async () => {
    await bookLine(page, "out 3 m8x25 bag 5");
    const other = await application.signedIn("ilse");
    await go("build");
    await application.go(other, stage("build"));
    const tick = (each: ViewPage, name: string) =>
      each.waitForSelector(`::-p-aria(${name})`) as Promise<Handle | null>;
    const one = "3 × M8×25, bag 5: one back";
    const both = await Promise.all([page, other].map((each) => tick(each, one)));
    await Promise.all(both.map((each) => each?.click()));
    await allSent(page);
    await allSent(other);
    await go("build");
    await seen(page, "bag 5 is one M8×25 short");
    await application.go(other, stage("build"));
    const last = await Promise.all([page, other].map((each) => tick(each, "M8×25, bag 5: is back")));
    await Promise.all(last.map((each) => each?.click()));
    await allSent(page);
    await allSent(other);
    await go("build");
    await expect.poll(() => openBalance(page)).not.toContain("bag 5");
    await expect.poll(() => page.$("::-p-text(refused)")).toBeNull();
    await other.close();
  });

  it("that is the same tap twice is said to be one", async () => {
    await go("strip");
    const shroud = await page.waitForSelector("::-p-aria(shroud)");
    await shroud?.evaluate((button) => {
      (button as HTMLButtonElement).click();
      (button as HTMLButtonElement).click();
    });
    await seen(page, "booked once");
    await allSent(page);
    await expect
      .poll(async () => (await bookWords(page)).filter((line) => line.includes("Shroud")))
      .toHaveLength(1);
  });
});

describe("what was said can be unsaid where it was said", () => {
  it("chips of Ask", async () => {
    await go("ask");
    // Folded, it says what is in it.
    await seen(page, "standing still");
    for (const asked of ["When does it happen?", "Gauge"]) await unfold(page, asked);
    await expect.poll(() => chipIsOn("standing still")).toBe(true);
    for (const chip of ["standing still", "hot weather", "three quarters"]) await tap(page, chip);
    await tap(page, "Book it");
    await allSent(page);
    await expect
      .poll(async () => (await bookWords(page)).filter((line) => line.includes("struck out")))
      .toHaveLength(2);
    await go("ask");
    await expect.poll(() => chipIsOn("standing still")).toBe(false);
    await expect.poll(() => chipIsOn("three quarters")).toBe(false);
  });

  it("a corrected answer, which stays answered", async () => {
    await go("ask");
    await unfold(page, "What is the trouble?");
    await tap(page, "loses coolant");
    await tap(page, "Book it");
    await allSent(page);
    await go("ask");
    await expect.poll(() => chipIsOn("loses coolant")).toBe(true);
    await go("find");
    await seen(page, "Still possible");
  });

  it("that no parts are needed", async () => {
    await go("plan");
    await tap(page, "No parts needed");
    await tap(page, "Take it back");
    await seen(page, "Nothing chosen yet.");
    await tap(page, "No parts needed");
    await seen(page, "No parts needed.");
    await allSent(page);
    await expect
      .poll(async () => (await bookWords(page)).filter((line) => line.includes("Parts: none needed")))
      .toHaveLength(2);
  });
});

describe("the entry line", () => {
  it("asks where a line can mean two things", async () => {
    await go("strip");
    await page.locator("[data-entry-line]").fill("out 4 clips, undertray");
    await seen(page, "It can mean several things");
    await page.keyboard.press("Enter");
    const before = await bookedLines(page);
    await page.locator("::-p-text(4 × clip, undertray.)").click();
    await page.waitForFunction(
      (count) => document.querySelectorAll("aside [data-line]").length === count + 1,
      {},
      before,
    );
    await allSent(page);
  });

  it("reads a correction against the book without the line it corrects", async () => {
    await bookLine(page, "out 3 m10x40 bag 6");
    await bookLine(page, "in 3 m10x40 bag 6");
    const seq = await page.$$eval("aside [data-line]", (lines) => lines.at(-1)?.getAttribute("data-line"));
    await bookLine(page, `correct ${seq} in 2 m10x40 bag 6`);
    await tap(page, "Undo");
    await bookLine(page, `correct ${seq} in 1 m10x40 bag 6`);
    await page.locator("::-p-text(more)").click();
    await seen(page, "bag 6 is 2 M10×40 short");
  });
});

describe("nothing is called booked that isn't", () => {
  // Every other answer is held by app/outbox/answers.test.ts: these are a page's three kinds.
  const answers = {
    "a page that says 200": () =>
      new Response("<h1>Welcome to the guest network</h1>", { headers: { "Content-Type": "text/html" } }),
    "a redirect": () => new Response("", { status: 302, headers: { Location: "/sign-in" } }),
    "a 502": () => new Response("bad gateway", { status: 502, headers: { "Content-Type": "text/html" } }),
  };
  const isPost = ({ method, url }: Request) => method === "POST" && url.endsWith("/entries");

  it.each(Object.entries(answers))("by %s", async (what, instead) => {
    const text = `kept over ${what}`.toLowerCase();
    await go("strip");
    page.shop.between = async (request) => (isPost(request) ? instead() : undefined);
    await page.locator("[data-entry-line]").fill(`note ${text}`);
    await page.keyboard.press("Enter");
    await page.waitForSelector("[data-unsent]");
    await passes(5000);
    expect(await page.$$("[data-unsent]")).toHaveLength(1);
    expect(await page.$("::-p-text(1 refused)")).toBeNull();
    page.shop.between = undefined;
    await allSent(page);
    await go("strip");
    expect((await bookWords(page)).filter((line) => line.toLowerCase().includes(text))).toHaveLength(1);
  });

  it("and one that the server stumbles over holds up none behind it", async () => {
    await go("strip");
    page.shop.between = async (request) =>
      isPost(request) && (await request.clone().text()).includes("the poisoned one")
        ? Response.json({ message: "A fault of ours.", reference: "abcd1234" }, { status: 500 })
        : undefined;
    for (const note of ["note the poisoned one", "note the one behind it"]) {
      await page.locator("[data-entry-line]").fill(note);
      await page.keyboard.press("Enter");
    }
    await page.waitForFunction(() => document.querySelectorAll("[data-unsent]").length === 1);
    await tap(page, "1 unsent");
    await seen(page, "A fault of ours.");
    expect(await page.$("::-p-aria(Send again)")).not.toBeNull();
    await tap(page, "Take it back");
    await allSent(page);
    page.shop.between = undefined;
    await go("strip");
    const words = (await bookWords(page)).join("\n").toLowerCase();
    expect(words).toContain("the one behind it");
    expect(words).not.toContain("the poisoned one");
  });
});

describe("a job with more open than a post holds", () => {
  it("is signed with a reason, and tells how many things were open", async () => {
    await go("ask", "open-build");
    const answers = await page.evaluate(async () => {
      const out = (index: number) => ({
        id: crypto.randomUUID(),
        at: new Date().toISOString(),
        stage: "strip",
        kind: "movement",
        account: "part",
        item: `кронштейн номер ${index} под решёткой радиатора`,
        out: 1,
      });
      const statuses: number[] = [];
      for (let batch = 0; batch < 6; batch++) {
        const entries = Array.from({ length: 50 }, (_, index) => out(batch * 50 + index));
        const answer = await fetch(location.pathname.replace(/ask$/, "entries"), {
          method: "POST",
          headers: { "Content-Type": "application/json" },
          body: JSON.stringify({ entries }),
        });
        statuses.push(answer.status);
      }
      return statuses;
    });
    expect(answers).toEqual(Array(6).fill(200));
    await go("sign", "open-build");
    const button = await page.waitForSelector("button::-p-text(Sign with 3)");
    const count = Number((await button?.evaluate((each) => each.textContent))?.match(/\d+/)?.[0]);
    expect(count).toBeGreaterThanOrEqual(300);
    await page
      .locator('textarea[aria-label="Why may it go like this?"], textarea')
      .fill("Towed away in parts");
    await tap(page, `Sign with ${count} open`);
    await tap(page, `Yes, sign with ${count} open`);
    await seen(page, "Signed and locked");
    await seen(page, "Towed away in parts");
  });
});

describe("a job file", () => {
  it("is read in by a lead, once, and says where it came from", async () => {
    const lead = await application.signedIn("maren");
    await application.go(lead, stage("sign", "s01"));
    const fetched = (name: string) =>
      lead.evaluate(async (name) => {
        const answer = await fetch(`${location.pathname.replace(/\/sign$/, "")}/${name}`);
        return Array.from(new Uint8Array(await answer.arrayBuffer()));
      }, name);
    const [file, archive] = ["json", "zip"].map((kind) => join(tmpdir(), `job-${process.pid}.${kind}`)) as [
      string,
      string,
    ];
    writeFileSync(file, Uint8Array.from(await fetched("job.json")));
    writeFileSync(archive, Uint8Array.from(await fetched("job.zip")));
    const read = async (file: string) => {
      await application.go(lead, "/shop");
      const input = (await lead.waitForSelector('input[aria-label="Job file"]')) as Handle;
      await input.uploadFile(file);
      await lead.waitForFunction(() => location.pathname.endsWith("/sign"));
      await settled(lead);
      return lead.url();
    };
    const first = await read(archive);
    await seen(lead, "read in from Lantern Hill Works, job 1");
    await expect.poll(() => read(file)).toBe(first);
    for (const [wrong, said] of [
      [file, "That is no job file"],
      [archive, "it is no zip, or it broke off"],
    ] as const) {
      writeFileSync(wrong, "{ not a job");
      await application.go(lead, "/shop");
      const input = await lead.waitForSelector('input[aria-label="Job file"]');
      await (input as Handle).uploadFile(wrong);
      await seen(lead, said);
    }
    await lead.close();
  });
});
