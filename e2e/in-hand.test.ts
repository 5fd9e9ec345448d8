import { afterAll, beforeAll, describe, expect, it, onTestFailed } from "vitest";
import { Application, TABLET } from "./support/application.ts";
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
