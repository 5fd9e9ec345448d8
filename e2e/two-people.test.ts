import type { Page } from "puppeteer-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { jobId } from "../demo/seed.ts";
import { Application } from "./support/application.ts";
import { allSent, bookLine, bookWords, seen, tap } from "./support/walk.ts";

let application: Application;
let ilse: Page;
let tobin: Page;
beforeAll(async () => {
  application = await Application.open({ keepsProgram: true });
  [ilse, tobin] = [await application.signedIn("ilse"), await application.signedIn("tobin")];
  // Two pages of one browser: only the one in front counts as looked at.
  for (const page of [ilse, tobin])
    await page.evaluateOnNewDocument(() =>
      Object.defineProperty(Document.prototype, "visibilityState", { get: () => "visible" }),
    );
});
afterAll(() => application.close());

const JOB = jobId("open-build");
const build = (page: Page, stage = "build") => application.go(page, `/jobs/${JOB}/${stage}`);
const shows = (page: Page, words: string) =>
  page.waitForFunction(
    (said) => document.querySelector("aside")?.textContent?.toLowerCase().includes(said),
    { polling: 50 },
    words,
  );

describe("two people on one job", () => {
  it("see each other's lines without asking for them", async () => {
    await build(ilse);
    await build(tobin);
    for (const [from, to, words] of [
      [ilse, tobin, "seen by ilse first"],
      [tobin, ilse, "and this one by tobin"],
    ] as const) {
      await bookLine(from, `note ${words}`);
      await shows(to, words);
    }
  });

  it("see them by asking where no stream gets through", async () => {
    await tobin.evaluateOnNewDocument(() => {
      class Silent extends EventTarget {
        close() {}
      }
      Object.defineProperty(window, "EventSource", { value: Silent });
    });
    await build(tobin);
    await new Promise((done) => setTimeout(done, 4500));
    await bookLine(ilse, "note without a stream");
    await shows(tobin, "without a stream");
  });

  it("tick one plug once, and the second is told who was first", async () => {
    await tobin.setOfflineMode(true);
    // It comes with the next poll, and moves what is tapped.
    await tobin.waitForSelector('[data-connection="lost"]');
    await tap(ilse, "left fan plug: is back");
    await allSent(ilse);
    await tap(tobin, "left fan plug: is back");
    await tobin.setOfflineMode(false);
    await seen(tobin, "Ilse Vantry was first: it is ticked once.");
    await allSent(tobin);
    const words = (await bookWords(tobin)).filter((line) => /Left fan plug\./.test(line));
    // Once out as it came off, once in.
    expect(words).toHaveLength(2);
  });

  it("who each write one hose out are both asked whether it is one, and one of them strikes a line", async () => {
    const written = 'section[aria-label="Written by two"]';
    await bookLine(ilse, "out heater hose left");
    await bookLine(tobin, "out heater hose left");
    for (const page of [ilse, tobin]) await seen(page, "Out twice, by two people?");
    const [, second] = await ilse.$$(`aside ${written} button`);
    await second?.click();
    await ilse.waitForFunction('document.activeElement?.value?.startsWith("strike ")');
    await ilse.keyboard.press("Enter");
    for (const page of [ilse, tobin]) await page.waitForFunction(`!document.querySelector('${written}')`);
    expect((await bookWords(tobin)).filter((line) => /Left heater hose\./.test(line))).toHaveLength(2);
  });

  it("takes a signature's question back where the other has booked something since it was asked", async () => {
    await build(ilse, "sign");
    const words = await ilse.$eval("main", (main) => main.textContent ?? "");
    const [sign = ""] = /Sign with \d+ open/.exec(words) ?? [];
    await ilse.locator('::-p-aria([name="Why may it go like this?"])').fill("the owner has to go");
    await tap(ilse, sign);
    await ilse.waitForSelector('[role="alertdialog"]');
    await bookLine(tobin, "out mirror cap");
    await seen(ilse, "The book has changed since you asked");
    expect(await ilse.$('[role="alertdialog"]')).toBeNull();
    await seen(ilse, "mirror cap");
  });

  it("tells nobody of another's job: neither a stranger nor who isn't signed in", async () => {
    const answers = await ilse.evaluate(async (job) => {
      const get = (path: string) => fetch(path, { headers: { Accept: "application/json" } });
      const own = await get(`/jobs/${job}/grown`);
      return [
        own.status,
        Object.keys(await own.json()),
        (await get(`/jobs/${crypto.randomUUID()}/grown`)).status,
        (await get("/jobs/none/grown")).status,
      ];
    }, JOB);
    expect(answers).toEqual([200, ["lastSeq"], 404, 404]);
    const nobody = await fetch(`${application.address}/jobs/${JOB}/grown`, {
      headers: { Accept: "text/event-stream" },
      redirect: "manual",
    });
    expect([302, 401]).toContain(nobody.status);
  });
});
