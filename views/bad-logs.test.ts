import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { Application, jobId } from "./support/application.ts";
import type { Handle, ViewPage } from "./support/page.ts";
import { bookedLines, seen } from "./support/walk.ts";

let application: Application;
let page: ViewPage;
const folder = mkdtempSync(join(tmpdir(), "warm-ledger-logs-"));
beforeAll(async () => {
  application = await Application.open();
  page = await application.signedIn("tobin");
  await application.go(page, `/jobs/${jobId("open-find")}/prove`);
});
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await application.close();
});

const PICTURE = Buffer.from("89504e470d0a1a0a0000000d49484452000000010000000108060000001f15c489", "hex");
const rows = (count: number, row: (s: number) => string) =>
  Array.from({ length: count }, (_, s) => row(s)).join("\n");

const BAD: [string, string | Buffer, RegExp][] = [
  ["empty", "", /empty/],
  ["without a temperature", `time_s,rpm\n${rows(5, (s) => `${s},800`)}`, /coolant temperature.*time_s, rpm/],
  ["a picture", PICTURE, /picture|not text/i],
  ["of one row", "time_s,coolant_C\n0,18\n", /at least two/],
  ["of no figures", "time_s,coolant_C\n0,NaN\n1,NaN\n2,NaN\n", /No row holds both/],
  [
    "in two units",
    `time_s,coolant\n${rows(300, (s) => (s < 150 ? `${s},${20 + s / 4} C` : `${s},${70 + s / 4} F`))}`,
    /°C.*°F|two units/,
  ],
  ["of 60 MB", `time_s,coolant_C\n${"0,18\n".repeat(12_000_000)}`, /60 MB; at most 48 MB/],
];

describe("a log that can't be read", () => {
  it.each(BAD)("%s gets a sentence and nothing is booked", async (name, content, says) => {
    const before = await bookedLines(page);
    const path = join(folder, `${name.replace(/\W/g, "-")}.csv`);
    writeFileSync(path, content);
    const input = (await page.waitForSelector('input[type="file"]')) as Handle;
    await input.uploadFile(path);
    await page.waitForFunction(
      (source) => new RegExp(source, "i").test(document.querySelector("main")?.textContent ?? ""),
      {},
      says.source,
    );
    await expect.poll(() => page.$("::-p-aria(Book this log)")).toBeNull();
    await expect.poll(() => bookedLines(page)).toBe(before);
  });

  it("running backwards is judged by its good rows, and says which were left out", async () => {
    const path = join(folder, "backwards.csv");
    writeFileSync(
      path,
      `time_s,coolant_C\n${rows(400, (s) => `${s === 200 ? 50 : s},${Math.round(18 + s / 8)}`)}`,
    );
    const input = (await page.waitForSelector('input[type="file"]')) as Handle;
    await input.uploadFile(path);
    await seen(page, "399 rows");
    await page.locator("::-p-text(on how it was read)").click();
    await seen(page, "Line 202");
  });
});
