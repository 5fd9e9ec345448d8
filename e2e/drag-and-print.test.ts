import type { Page } from "puppeteer-core";
import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { jobId } from "../demo/seed.ts";
import { Application } from "./support/application.ts";
import { bookLine, openTool, pictureOfFailure, seen, tap, write } from "./support/walk.ts";

let application: Application;
let page: Page;
beforeAll(async () => {
  application = await Application.open();
  page = await application.signedIn("tobin");
});
afterAll(() => application.close());
afterEach(({ task }) => pictureOfFailure(page, task));

const sheets = async () =>
  Buffer.from(await page.pdf({ format: "A4" }))
    .toString("latin1")
    .match(/\/Type\s*\/Page\b(?!s)/g)?.length;

describe("on Plan", () => {
  it("the order of work is dragged by the mouse, and a drawing of the wires prints on one sheet", async () => {
    await application.go(page, `/jobs/${jobId("open-build")}/plan`);
    await openTool(page, "Order of work");
    await tap(page, "Later: Engine cold");
    const first = 'ol[aria-label="Order of work"] li:first-child';
    await page.waitForSelector(`${first} ::-p-text(Battery off)`);
    const grip = async (step: string) => {
      const handle = await page.waitForSelector(`[data-drag="${step}"]`);
      await handle?.evaluate((each) => each.scrollIntoView({ block: "center" }));
      return handle?.boundingBox();
    };
    const from = await grip("battery");
    const to = await (await page.$('[data-drag="cold"]'))?.boundingBox();
    if (!from || !to) throw new Error("nothing to drag by");
    await page.mouse.move(from.x + 10, from.y + 10);
    await page.mouse.down();
    await page.mouse.move(from.x + 10, from.y + 30, { steps: 4 });
    await page.mouse.move(to.x + 10, to.y + 20, { steps: 8 });
    await page.mouse.up();
    await page.waitForSelector(`${first} ::-p-text(Engine cold)`);
    await openTool(page, "Fan wiring");
    await write(page, "Motor draws", "22");
    await write(page, "Lead, one way", "1.8");
    await seen(page, "40 A");
    expect(await sheets()).toBe(1);
  });
});

describe("on Strip", () => {
  it("labels print six to a page", async () => {
    await application.go(page, `/jobs/${jobId("open-build")}/strip`);
    await openTool(page, "Labels");
    await seen(page, "Print 2 labels");
    expect(await sheets()).toBe(1);
    for (let bag = 3; bag <= 7; bag++) await bookLine(page, `out 1 m8x30 bag ${bag}`);
    await seen(page, "Print 7 labels");
    expect(await sheets()).toBe(2);
  });
});
