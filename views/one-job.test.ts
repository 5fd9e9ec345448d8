import { readFileSync } from "node:fs";
import Ajv2020 from "ajv/dist/2020.js";
import addFormats from "ajv-formats";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { Application, demoId } from "./support/application.ts";
import type { ViewPage } from "./support/page.ts";
import {
  allSent,
  bookLine,
  bookWords,
  openBalance,
  openTool,
  seen,
  settled,
  sign,
  tap,
  tapOn,
  unfold,
} from "./support/walk.ts";

let application: Application;
let page: ViewPage;
beforeAll(async () => {
  application = await Application.open();
  page = await application.signedIn("tobin");
  await application.go(page, "/");
});
afterAll(() => application.close());

const stage = (name: string) =>
  page.waitForFunction((end) => location.pathname.endsWith(end), {}, `/${name}`);
const atField = (label: string) => page.locator(`::-p-aria([name="${label}"])`);

describe("one job from complaint to signed", () => {
  it("is opened on a vehicle found by part of its plate", async () => {
    await page.keyboard.press("k");
    await page.waitForSelector("#find");
    await page.locator("#find").fill("5508");
    await seen(page, "One vehicle");
    await tap(page, "MRW 5508");
    await seen(page, "Cooling card");
    await tap(page, "Open a job");
    await stage("ask");
    await settled(page);
  });

  it("asks, and books what was answered in one tap", async () => {
    await atField("Complaint, in their words").fill("Fan never heard, hot in the hay queue");
    await atField("Distance").fill("48800");
    await tap(page, "standing still");
    await tap(page, "hot weather");
    await tap(page, "three quarters");
    await tap(page, "at the line");
    await atField("Codes, as the reader shows them").fill("none");
    await tap(page, "Book it");
    await page.waitForFunction(() => document.querySelectorAll("aside [data-line]").length === 6);
    await allSent(page);
    await expect
      .poll(async () => (await bookWords(page)).join("\n"))
      .toMatch(/hay queue[\s\S]*48\s?800[\s\S]*standing still, hot weather/);
  });

  it("finds by hand, with a verdict", async () => {
    await page.keyboard.press("2");
    await stage("find");
    await openTool(page, "By hand");
    await atField("What was tested").fill("fused jumper across the switch plug");
    await atField("What you saw").fill("fan ran at once");
    await tap(page, "Passed");
    await bookLine(page, "test switch in the pot fail");
    await atField("In one sentence").fill("Thermal switch does not close");
    await tap(page, "This is the fault");
    await seen(page, "Booked as the fault:");
    await allSent(page);
  });

  it("plans a part with grade and supplier, ticked with a name and only once", async () => {
    await page.keyboard.press("3");
    await stage("plan");
    await unfold(page, "By name");
    await tap(page, "Choose it");
    await seen(page, "Choose the grade.");
    await atField("Part").fill("Thermal switch");
    await tap(page, "maker's");
    await atField("Supplier").fill("Coldbrook Parts");
    await tap(page, "Choose it");
    await seen(page, "thermal switch not yet checked out of its box");
    await tap(page, "Accept it: here, out of the box, undamaged");
    await seen(page, "Not looked at yet: no freight damage");
    for (const look of ["no freight damage", "right variant and year", "nothing missing"])
      await tap(page, look);
    const tick = await page.waitForSelector("::-p-aria(Accept it: here, out of the box, undamaged)");
    await tick?.evaluate((button) => {
      (button as HTMLButtonElement).click();
      (button as HTMLButtonElement).click();
    });
    await seen(page, "Tobin Askel, ");
    await allSent(page);
    await expect
      .poll(async () => (await bookWords(page)).filter((line) => line.includes("out of the box")))
      .toHaveLength(1);
  });

  it("strips by the line and by tapping", async () => {
    await page.keyboard.press("4");
    await stage("strip");
    await bookLine(page, "out 8 clips undertray");
    await tap(page, "switch plug");
    await seen(page, "switch plug still off");
    await bookLine(page, 'out "thermal switch"');
    await bookLine(page, "drain 1.4");
    await bookLine(page, "tool out magnet");
    await unfold(page, "Write it out");
    await tap(page, "2");
    await tap(page, "One more");
    await tap(page, "2 × M6×20 into bag 2");
    await seen(page, "bag 2 is 2 M6×20 short");
  });

  it("points at what it can't place, and books nothing of it", async () => {
    const lines = (await bookWords(page)).length;
    await page.locator("[data-entry-line]").fill("out 3 m6x20 arbox bag 2");
    await seen(page, "Wanted there:");
    await expect.poll(() => page.$eval("aside mark", (mark) => mark.textContent)).toBe("arbox");
    await page.keyboard.press("Enter");
    await expect.poll(async () => (await bookWords(page)).length).toBe(lines);
    await page.locator("[data-entry-line]").fill("puddle under the passenger side");
    await page.keyboard.down("Control");
    await page.keyboard.press("Enter");
    await page.keyboard.up("Control");
    await expect
      .poll(async () => (await bookWords(page)).at(-1))
      .toContain("Puddle under the passenger side");
    await page.locator("[data-entry-line]").fill("in ba");
    await page.keyboard.press("Tab");
    await expect
      .poll(() => page.$eval("[data-entry-line]", (input) => (input as HTMLInputElement).value))
      .toBe("in bag 2");
    await page.locator("[data-entry-line]").fill("");
  });

  it("builds in reverse by advice, and takes whatever is out", async () => {
    await page.keyboard.press("Escape");
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press("5");
    await stage("build");
    await seen(page, "Last off, first on");
    const offered = await page.$$eval("main li button:last-child", (buttons) =>
      buttons.map((button) => button.getAttribute("aria-label")),
    );
    expect(offered.slice(0, 2)).toEqual(["2 × M6×20, bag 2: all 2 back", "thermal switch: is back"]);
    for (const name of [
      "2 × M6×20, bag 2: all 2 back",
      "switch plug: is back",
      "thermal switch: is back",
      "8 × clip, undertray: all 8 back",
      "magnet: is back",
    ]) {
      await tap(page, name);
      // The row goes once the line is kept, and the rows below move up: nobody taps the next before that.
      await page.waitForSelector(`::-p-aria(${name})`, { hidden: true });
    }
    await seen(page, "all that came off is back");
    await allSent(page);
  });

  it("takes a slip back in one tap, and a tick that was struck can be ticked again", async () => {
    await bookLine(page, "out lower hose");
    await tap(page, "Undo");
    await seen(page, "struck out");
    await seen(page, "all that came off is back");
    await allSent(page);
    await bookLine(page, "out upper hose");
    await tap(page, "upper hose: is back");
    await seen(page, "all that came off is back");
    await allSent(page);
    await tap(page, "Undo");
    await tap(page, "upper hose: is back");
    await seen(page, "all that came off is back");
    await allSent(page);
    await expect.poll(() => openBalance(page)).toContain("not accounted for");
  });

  it("opens any line to strike it or to bring it back", async () => {
    await bookLine(page, "note not meant");
    const line = (await page.$$("aside [data-line] td:first-child button")).at(-1);
    await line?.click();
    await tap(page, "Strike it out");
    await seen(page, "struck out.");
    await allSent(page);
    const strike = (await page.$$("aside [data-line] td:first-child button")).at(-1);
    await strike?.click();
    await page.locator("::-p-text(Bring line)").click();
    await seen(page, "is back: line");
    await allSent(page);
  });

  it("fills until the coolant is level", async () => {
    await page.keyboard.press("6");
    await stage("fill");
    await unfold(page, "Write down what moved");
    await atField("How much").fill("1.4 L");
    await tap(page, "Book it");
    await seen(page, "Level, as near as jugs can tell");
    await allSent(page);
  });

  it("proves with a log, whose verdicts are booked", async () => {
    await page.keyboard.press("7");
    await stage("prove");
    const input = await page.waitForSelector('input[type="file"]');
    await (
      input as Awaited<ReturnType<typeof page.$>> & { uploadFile: (path: string) => Promise<void> }
    ).uploadFile("samples/sound-one-fan.csv");
    await page.waitForSelector("figure svg");
    await seen(page, "The fan started");
    await tap(page, "Book this log");
    await seen(page, "2041 rows · booked");
    await allSent(page);
    await expect.poll(async () => (await bookWords(page)).at(-1)).toMatch(/Warm-up log/);
  });

  it("refuses to sign with something open but for a reason and a second word elsewhere", async () => {
    await page.keyboard.press("8");
    await stage("sign");
    await seen(page, "One thing is open");
    await expect.poll(() => openBalance(page)).toContain("level and cap not yet checked cold");
    await tap(page, "Sign with 1 open");
    await seen(page, "so say why it may go");
    await atField("Why may it go like this?").fill("Owner looks at the level tomorrow morning");
    await tap(page, "Sign with 1 open");
    await seen(page, "Sign and lock it with 1 open?");
    await tap(page, "Not yet");
    await sign(page, 1);
    await seen(page, "Owner looks at the level tomorrow morning");
  });

  it("is locked then, but for a correction that names the old line", async () => {
    await page.locator("[data-entry-line]").fill("out 1 clip undertray");
    await seen(page, "The job is signed");
    await page
      .locator("[data-entry-line]")
      .fill("correct 1 note Fan never heard, hot in the harvest queue because the owner told it again");
    await seen(page, "Line 1 becomes");
    await page.keyboard.press("Enter");
    await seen(page, "Line 1 corrected");
    await allSent(page);
  });

  it("stands in the vehicle's timeline with its part and dates", async () => {
    await application.go(page, `/vehicles/${demoId("vehicle:finch")}`);
    await seen(page, "Fitted: thermal switch (maker's, Coldbrook Parts)");
    await seen(page, "signed by Tobin Askel");
    const today = new Intl.DateTimeFormat("en-GB", {
      day: "numeric",
      month: "short",
      year: "numeric",
      timeZone: "UTC",
    }).format(new Date());
    await openTool(page, "Parts");
    await seen(page, `${today} to now`);
    await openTool(page, "Jobs");
  });

  it("comes out as JSON that its schema accepts, and its log as CSV that reads back", async () => {
    await page.locator('ol a[href^="/jobs/"]').click();
    await seen(page, "Signed and locked");
    const job = await page.evaluate(async () =>
      (await fetch(`${location.pathname.replace(/\/sign$/, "")}/job.json`)).json(),
    );
    const ajv = new Ajv2020({ allErrors: true });
    addFormats(ajv);
    const validate = ajv.compile(JSON.parse(readFileSync("docs/formats/job.schema.json", "utf8")));
    expect(validate(job), JSON.stringify(validate.errors)).toBe(true);
    expect(job.open).toEqual(["level and cap not yet checked cold"]);
    const csv = await page.evaluate(
      async (id) =>
        (await fetch(`${location.pathname.replace(/\/sign$/, "")}/logs/${id}/warm-up.csv`)).text(),
      job.logs[0].id,
    );
    expect(csv.split("\n")[0]).toBe("time_s,coolant_C,intake_C,engine_rpm");
    expect(csv.trim().split("\n")).toHaveLength(2042);
  });
});

describe("by touch on a tablet", () => {
  it("strips and builds in the drawer's company", async () => {
    const tablet = await application.signedIn("ilse");
    await application.go(tablet, `/vehicles/${demoId("vehicle:drover")}`);
    await tablet.locator("::-p-aria(Open a job)").click();
    await tablet.waitForFunction(() => location.pathname.endsWith("/ask"));
    await application.go(tablet, `${new URL(tablet.url()).pathname.replace("/ask", "/strip")}`);
    await tap(tablet, "shroud", "touch");
    await seen(tablet, "1 open: shroud still out");
    await tapOn(tablet, "::-p-text(1 open: shroud still out)", "touch");
    await tablet.waitForSelector('[role="dialog"] [data-line]');
    await tablet.keyboard.press("Escape");
    await application.go(tablet, `${new URL(tablet.url()).pathname.replace("/strip", "/build")}`);
    await tap(tablet, "shroud: is back", "touch");
    await seen(tablet, "all that came off is back");
  });
});
