import type { Page } from "puppeteer-core";
import { afterAll, beforeAll, describe, expect, it, onTestFailed } from "vitest";
import { STAGES } from "../core/book/entry/index.ts";
import { jobId } from "../demo/seed.ts";
import { Application, DESKTOP, PHONE, TABLET } from "./support/application.ts";
import { FIVE_JOBS, followInHand, type Hand } from "./support/five-jobs.ts";
import { pictureOfFailure } from "./support/walk.ts";

let application: Application;
beforeAll(async () => {
  application = await Application.open();
});
afterAll(() => application.close());

/** All five, by either hand, are counted by `npm run bench -- walks`. */
const WALKED: [Hand, string][] = [
  ["keyboard", "fan fuse and motor"],
  ["touch", "radiator leak to signed with its log"],
  ["keyboard", "slow loss"],
];

describe("somebody who does nothing but what is in hand", () => {
  it.each(WALKED)("comes from the complaint to the signature by %s: %s", async (hand, name) => {
    const page = await application.signedIn("tobin", TABLET);
    onTestFailed(({ task }) => pictureOfFailure(page, task));
    const job = FIVE_JOBS.find((each) => each.name === name);
    if (!job) throw new Error(`no job ${name}`);
    const { acts, taps, done } = await followInHand(application, page, job, hand);
    process.stdout.write(`${name}, ${hand}: ${acts} acts, ${taps} taps or keys: ${done.join(", ")}\n`);
    expect(done).toContain("verdict");
    // By touch an act is a tap, with the ways between stages, the complaint and the signature beside it.
    if (hand === "touch") expect(taps).toBeLessThan(done.length + 12);
    await page.browserContext().close();
  });
});

const LYING_TABLET = { width: 1024, height: 768 };

/** Where what is in hand ends, and how often what scrolls would fill its window. */
const measured = (page: Page) =>
  page.evaluate(() => {
    const hand = document.querySelector("[data-in-hand]")?.getBoundingClientRect();
    const work = document.querySelector('section[aria-label="Work"]');
    const doesWorkScroll = work !== null && getComputedStyle(work).overflowY === "auto";
    const scrolls = doesWorkScroll ? work : document.documentElement;
    return {
      isWhole: !hand || (hand.top >= 0 && hand.bottom <= window.innerHeight),
      windows: scrolls.scrollHeight / scrolls.clientHeight,
      isWide: document.documentElement.scrollWidth > window.innerWidth,
    };
  });

describe("a stage as it opens", () => {
  it.each([
    ["a desk", DESKTOP],
    ["a tablet lying", LYING_TABLET],
    ["a phone", PHONE],
  ])("shows what is in hand whole, and is no longer than two windows: %s", async (_, size) => {
    const page = await application.signedIn("maren", size);
    const found: string[] = [];
    for (const key of ["open-find", "open-plan", "open-build", "open-prove", "open-fill"])
      for (const stage of STAGES) {
        await application.go(page, `/jobs/${jobId(key)}/${stage}`);
        const { isWhole, windows, isWide } = await measured(page);
        if (!isWhole || isWide || windows > 2) found.push(`${key} ${stage}: ${windows.toFixed(2)} windows`);
      }
    expect(found, found.join("; ")).toEqual([]);
    await page.browserContext().close();
  });
});
