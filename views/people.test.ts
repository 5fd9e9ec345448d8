import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { Application, jobId } from "./support/application.ts";
import { shownTest } from "./support/diagnose.ts";
import type { ViewPage } from "./support/page.ts";
import { seen, settled, tap } from "./support/walk.ts";

let application: Application;
let page: ViewPage;
beforeAll(async () => {
  application = await Application.open();
});
afterAll(() => application.close());

const field = (label: string) => page.locator(`::-p-aria([name="${label}"])`);

describe("signing in", () => {
  it("elsewhere is by shop, name and password, and says what is wrong without saying which", async () => {
    page = await application.stranger();
    await application.go(page, "/sign-in");
    await seen(page, "not one of a shop's own");
    await field("Shop").fill("lantern-hill");
    await field("Name").fill("Ilse Vantry");
    await field("Password").fill("not the password");
    await page.keyboard.press("Enter");
    await page.waitForSelector('[role="alert"]');
    await expect
      .poll(() => page.$eval('input[name="name"]', (input) => (input as HTMLInputElement).value))
      .toBe("Ilse Vantry");
    await field("Password").fill("merrow-lamp-right");
    await page.keyboard.press("Enter");
    await seen(page, "Lantern Hill Works");
    await page.close();
  });

  it("comes back to the page that was asked for, and never to another site", async () => {
    page = await application.visit();
    for (const [asked, lands] of [
      [`/jobs/${jobId("open-find")}/find`, `/jobs/${jobId("open-find")}/find`],
      ["//elsewhere.example/", "/"],
    ] as const) {
      await application.go(page, `/sign-in?to=${encodeURIComponent(asked)}`);
      await settled(page);
      await page.locator("::-p-text(Tobin Askel)").click();
      await page.locator('input[name="pin"]').fill("3141");
      await page.keyboard.press("Enter");
      await page.waitForSelector('nav[aria-label="Places"]');
      expect(new URL(page.url()).pathname).toBe(lands);
      expect(new URL(page.url()).host).toBe(new URL(application.address).host);
      await tap(page, "Tobin: sign out");
      await page.waitForFunction(() => location.pathname.startsWith("/sign-in"));
      await settled(page);
    }
    await page.close();
  });

  it("with a wrong PIN eight times over is slowed down, for that name on that browser only", async () => {
    page = await application.visit();
    await application.go(page, `/sign-in`);
    await settled(page);
    await page.locator("::-p-text(Dez Quillan)").click();
    const pin = page.locator('input[name="pin"]');
    for (let attempt = 0; attempt < 9; attempt++) {
      await pin.fill("0000");
      await page.keyboard.press("Enter");
      // Emptied once it is answered.
      await page.waitForFunction(
        () => document.querySelector<HTMLInputElement>('input[name="pin"]')?.value === "",
      );
    }
    await seen(page, "Too many wrong tries");
    await page.locator("::-p-text(Maren Oke)").click();
    await page.locator('input[name="pin"]').fill("2718");
    await page.keyboard.press("Enter");
    await page.waitForSelector('nav[aria-label="Places"]');
    await page.close();
  });
});

describe("the keys", () => {
  beforeAll(async () => {
    page = await application.signedIn("tobin");
    await application.go(page, "/");
  });
  afterAll(() => page.close());

  it("go places, and none of them works while somebody types", async () => {
    const lands = (path: string) => page.waitForFunction((end) => location.pathname === end, {}, path);
    await page.keyboard.press("g");
    await page.keyboard.press("v");
    await lands("/vehicles");
    await page.locator("#find").fill("g");
    await page.keyboard.press("s");
    expect(new URL(page.url()).pathname).toBe("/vehicles");
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press("g");
    await page.keyboard.press("t");
    await lands("/");
  });

  it("are all listed behind ?, in a dialog that keeps and gives back the focus", async () => {
    await page.locator('nav[aria-label="Places"] button::-p-text(Keys)').click();
    await page.waitForSelector('[role="dialog"]');
    for (let tab = 0; tab < 4; tab++) await page.keyboard.press("Tab");
    await expect
      .poll(() => page.evaluate(() => document.activeElement?.closest('[role="dialog"]') !== null))
      .toBe(true);
    await page.keyboard.press("Escape");
    await page.waitForFunction(() => !document.querySelector('[role="dialog"]'));
  });

  it("change the units everywhere, and back", async () => {
    await application.go(page, `/jobs/${jobId("open-prove")}/fill`);
    await seen(page, "stayed");
    await page.keyboard.press("u");
    await page.waitForFunction(() => /qt\b/.test(document.querySelector("main")?.textContent ?? ""));
    await settled(page);
    await page.keyboard.press("u");
    await page.waitForFunction(() => !/qt\b/.test(document.querySelector("main")?.textContent ?? ""));
  });
});

describe("the front desk", () => {
  it("reads a job and books nothing in it", async () => {
    page = await application.signedIn("maren");
    await application.go(page, "/shop");
    await seen(page, "Not looked at yet");
    await tap(page, "Look now");
    await seen(page, "Unbroken, looked at");
    await field("Name").fill("Perrin Holt");
    await page.select('select[name="role"]', "desk");
    await field("PIN").fill("7351");
    await field("Password").fill("merrow-lamp-new");
    await tap(page, "Add this person");
    // Not the field that it was typed into.
    await page.waitForFunction(() => document.querySelector("main")?.textContent.includes("Perrin Holt"));
    await page.close();
    page = await application.visit();
    await settled(page);
    await page.locator("::-p-text(Perrin Holt)").click();
    await page.locator('input[name="pin"]').fill("7351");
    await page.keyboard.press("Enter");
    await page.waitForSelector('nav[aria-label="Places"]');
    await application.go(page, `/jobs/${jobId("open-find")}/find`);
    await shownTest(page);
    const enabled = await page.$$eval(
      'section[aria-labelledby="next-test"] .grid button',
      (buttons) => buttons.filter((button) => !(button as HTMLButtonElement).disabled).length,
    );
    expect(enabled).toBe(0);
    const before = await page.$$eval("aside [data-line]", (lines) => lines.length);
    await page.keyboard.press("a");
    await expect.poll(() => page.$$eval("aside [data-line]", (lines) => lines.length)).toBe(before);
    await page.close();
  });
});

describe("a form", () => {
  it("keeps what was typed, says why beside each field, and books nothing until it is right", async () => {
    page = await application.signedIn("ilse");
    await application.go(page, "/vehicles/new");
    await field("Plate").fill("MRW 9090");
    await field("VIN").fill("TOO SHORT");
    await tap(page, "Write it down");
    await seen(page, "A VIN has 17");
    const invalid = await page.$$eval('[aria-invalid="true"]', (fields) => fields.length);
    expect(invalid).toBeGreaterThan(2);
    await expect
      .poll(() => page.$eval('input[name="plate"]', (input) => (input as HTMLInputElement).value))
      .toBe("MRW 9090");
    await application.go(page, "/vehicles?find=9090");
    await seen(page, "0 vehicles");
    await page.close();
  });
});
