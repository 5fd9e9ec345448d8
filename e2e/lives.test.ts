import type { Page } from "puppeteer-core";
import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { jobId, SHOP_ID } from "../demo/seed.ts";
import { demoId } from "../demo/story.ts";
import { atDesk } from "../server/database/connection.ts";
import { signIn, signOut } from "../server/subjects/people/sign-in.ts";
import { Application, settled } from "./support/application.ts";
import { pictureOfFailure, seen, tap } from "./support/walk.ts";

let application: Application;
let lead: Page;
let tablet: Page;
/** When a stream ended that was open as its session did. */
let streamEnds: Promise<string>;

/** A stream of a book's growth, left open in a session that then ends. */
async function leftOpen(): Promise<string> {
  const { database } = application.scratch;
  const caller = { shopId: SHOP_ID, source: "192.0.2.1" };
  const answer = await signIn(database, { personId: demoId("person:ilse"), pin: "1618" }, caller);
  if ("refused" in answer) throw new Error(answer.refused);
  const cookie = `session=${encodeURIComponent(Buffer.from(JSON.stringify(answer.token)).toString("base64"))}`;
  const stream = await fetch(`${application.address}/jobs/${jobId("open-find")}/grown`, {
    headers: { Accept: "text/event-stream", Cookie: cookie },
  });
  await atDesk(database, { shopId: SHOP_ID }, (desk) => signOut(desk, answer.token));
  return stream.text();
}

beforeAll(async () => {
  application = await Application.open();
  streamEnds = leftOpen();
  lead = await application.signedIn("maren");
  tablet = await application.visit();
});
afterAll(() => application.close());
afterEach(({ task }) => pictureOfFailure(tablet, task));

const fill = (page: Page, label: string, text: string) =>
  page.locator(`::-p-aria([name="${label}"])`).fill(text);
const enter = async (page: Page, name: string, pin: string) => {
  await settled(page);
  await page.locator(`::-p-text(${name})`).click();
  await page.locator('input[name="pin"]').fill(pin);
  await page.keyboard.press("Enter");
  await page.waitForSelector('nav[aria-label="Places"]');
};

describe("somebody new", () => {
  it("gets no PIN that is tried first, then a name, a PIN and work of their own", async () => {
    await application.go(lead, "/shop");
    await fill(lead, "Name", "Perrin Holt");
    await fill(lead, "PIN", "1234");
    await fill(lead, "Password", "merrow-lamp-new");
    await tap(lead, "Add this person");
    await seen(lead, "A PIN that runs up or down");
    await fill(lead, "PIN", "7351");
    await fill(lead, "Password", "merrow-lamp-new");
    await tap(lead, "Add this person");
    await lead.locator("main a::-p-text(Perrin Holt)").click();
    await lead.waitForFunction(() => document.querySelector("h1")?.textContent === "Perrin Holt");
    await fill(lead, "Name", "Perrin Low");
    await tap(lead, "Rename");
    await lead.waitForFunction(() => document.querySelector("h1")?.textContent === "Perrin Low");
    await fill(lead, "New PIN", "8264");
    await tap(lead, "Give these");
    await seen(lead, "Tell them face to face");
    await expect
      .poll(() => lead.$eval('input[name="pin"]', (input) => (input as HTMLInputElement).value))
      .toBe("");
  });

  it("changes their own with the password of now, and is told what is wrong beside its field", async () => {
    await tablet.reload();
    await enter(tablet, "Perrin Low", "8264");
    await application.go(tablet, "/shop");
    await tablet.locator("main a::-p-text(Perrin Low)").click();
    await fill(tablet, "Your password now", "not that");
    await fill(tablet, "New PIN", "6402");
    await tap(tablet, "Change mine");
    await seen(tablet, "That is not your password");
    await fill(tablet, "Your password now", "merrow-lamp-new");
    await fill(tablet, "New PIN", "6402");
    await tap(tablet, "Change mine");
    await seen(tablet, "Changed. It counts");
    await seen(tablet, "bay tablet");
  });

  it("is asked after a pause whether it is still them; somebody else comes back to the same page", async () => {
    const path = `/jobs/${jobId("open-find")}/find`;
    await application.go(tablet, path);
    const pause = (minutes: number) =>
      tablet.evaluate((ms) => {
        localStorage.setItem("hands-last", String(Date.now() - ms));
        document.dispatchEvent(new Event("visibilitychange"));
      }, minutes * 60_000);
    await pause(29);
    expect(await tablet.$('[role="alertdialog"]')).toBeNull();
    await pause(31);
    await seen(tablet, "Still Perrin Low?");
    await tablet.reload();
    await seen(tablet, "Still Perrin Low?");
    await tablet.keyboard.press("Escape");
    await tap(tablet, "Yes, Perrin");
    await tablet.waitForFunction(() => !document.querySelector('[role="alertdialog"]'));
    await pause(31);
    await tap(tablet, "Somebody else");
    await tablet.waitForFunction(() => location.pathname === "/sign-in");
    await enter(tablet, "Tobin Askel", "3141");
    expect(new URL(tablet.url()).pathname).toBe(path);
  });

  it("who leaves has no tile any more, and stays under their name where a lead can have them back", async () => {
    await tap(lead, "Perrin has left");
    await seen(lead, "They sign in no more");
    await tap(tablet, "Tobin: sign out");
    await tablet.waitForFunction(() => location.pathname === "/sign-in");
    await settled(tablet);
    await expect.poll(() => tablet.$eval("main", (main) => main.textContent)).not.toContain("Perrin");
    await tap(lead, "Perrin is back");
    await seen(lead, "They can sign in again");
  });
});

describe("the only lead", () => {
  it("can't leave, and is told what to do first", async () => {
    await application.go(lead, "/shop");
    await lead.locator("main a::-p-text(Maren Oke)").click();
    await tap(lead, "Maren has left");
    await seen(lead, "Make somebody else a lead first");
  });
});

describe("a stream that was open", () => {
  it("ends with the session it was opened in", async () => {
    expect(await streamEnds).toContain(": here");
  });
});

describe("a browser's invitation", () => {
  it("makes one browser the shop's own, and no second one", async () => {
    await application.go(lead, "/shop");
    await fill(lead, "Name of the browser", "paint bay");
    await tap(lead, "Enrol one");
    await seen(lead, "good once");
    const address = await lead.$eval('[role="status"] .figure', (shown) => shown.textContent);
    expect(address).toContain("/this-device/");
    const [first, second] = [await application.stranger(), await application.stranger()];
    await first.goto(address);
    await seen(first, "Who is it?");
    await first.goto(address);
    await seen(first, "Who is it?");
    await second.goto(address);
    await seen(second, "used already");
    await application.go(lead, "/shop");
    await tap(lead, "Remove paint bay");
    await lead.waitForFunction(() => !document.querySelector("main")?.textContent?.includes("paint bay"));
    await first.reload();
    await seen(first, "not one of a shop's own");
  });
});
