import type { Page } from "puppeteer-core";
import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { jobId } from "../demo/seed.ts";
import { demoId } from "../demo/story.ts";
import { Application, readAnew } from "./support/application.ts";
import { violations } from "./support/axe.ts";
import { allSent, bookWords, openTool, pictureOfFailure, seen, tap, write } from "./support/walk.ts";

let application: Application;
let page: Page;
beforeAll(async () => {
  application = await Application.open();
  page = await application.signedIn("maren");
});
afterAll(() => application.close());
afterEach(({ task }) => pictureOfFailure(page, task));

describe("a blown fuse", () => {
  it("found in words asks what blew it, on Find, and is booked there", async () => {
    await application.go(page, `/jobs/${jobId("open-find")}/find`);
    await openTool(page, "By hand");
    await write(page, "In one sentence", "Fan fuse blown");
    await tap(page, "This is the fault");
    await allSent(page);
    await page.waitForSelector('[data-in-hand="find:fuse-cause"]');
    expect((await violations(page)).join("\n")).toBe("");
    await tap(page, "A wire chafed through to ground");
    await allSent(page);
    await expect.poll(async () => (await bookWords(page)).at(-1)).toMatch(/wire chafed through to ground/);
    await page.waitForFunction(() => !document.querySelector('[data-in-hand="find:fuse-cause"]'));
  });
});

describe("whose a vehicle is", () => {
  const VEHICLE = `/vehicles/${demoId("vehicle:scholar")}`;

  it("is written, found, put right and forgotten, each by what stands on the page", async () => {
    await application.go(page, VEHICLE);
    await tap(page, "Write the owner down");
    await write(page, "Telephone, if wanted", "by letter");
    await tap(page, "Write it down");
    await seen(page, "A telephone number: figures");
    await write(page, "Owner's name", "Perpetua Quillfeather");
    await write(page, "Telephone, if wanted", "+00 171 555-0142");
    await tap(page, "Write it down");
    await page.waitForSelector('a[href="tel:+001715550142"]');
    expect((await violations(page)).join("\n")).toBe("");
    await application.go(page, "/vehicles?find=5550142");
    await seen(page, "Perpetua Quillfeather");
    await application.go(page, VEHICLE);
    await tap(page, "Change the owner");
    await write(page, "Owner's name", "Perpetua Thistle");
    await tap(page, "Write it down");
    await page.waitForFunction(() => document.body.textContent?.includes("Perpetua Thistle"));
    await tap(page, "Change the owner");
    await tap(page, "Leave it");
    await tap(page, "Forget this owner");
    await tap(page, "Yes, forget this owner");
    await seen(page, "Nobody has written whose it is.");
    await readAnew(page);
    await seen(page, "Nobody has written whose it is.");
  });
});
