import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { Application, jobId } from "./support/application.ts";
import type { ViewPage } from "./support/page.ts";
import {
  allSent,
  bookWords,
  hoursPass,
  openBalance,
  seen,
  tap,
  unfold,
  write as writeOn,
} from "./support/walk.ts";

let application: Application;
let page: ViewPage;
beforeAll(async () => {
  application = await Application.open();
  page = await application.signedIn("ilse");
});
afterAll(() => application.close());

const JOB = jobId("open-find");
const stage = (name: string) => application.go(page, `/jobs/${JOB}/${name}`);
const write = (label: string, text: string) => writeOn(page, label, text);
const tabOf = (name: string) => page.locator(`[role="tab"]::-p-text(${name})`).click();

/** The steps that the list under this heading offers, in its order. */
const stepsUnder = (heading: string) =>
  page.$$eval(`section[aria-labelledby="${heading}"] button[aria-label^="Is back: "]`, (buttons) =>
    buttons.map((button) => (button.getAttribute("aria-label") ?? "").replace("Is back: ", "")),
  );

async function stepDone(name: string): Promise<void> {
  await tap(page, `Done: ${name}`);
  await page.waitForFunction(
    (label) => !document.querySelector(`[aria-label="${label}"]`),
    {},
    `Done: ${name}`,
  );
}

describe("the order of work on its way back", () => {
  it("offers on Build what Strip took off, the last first, and says what waits for what", async () => {
    await stage("plan");
    await tabOf("Order of work");
    await tap(page, "undertray");
    await tap(page, "bumper in the way");
    await tap(page, "condenser");
    await tap(page, "Take this order");
    await allSent(page);
    await stage("strip");
    await expect
      .poll(() =>
        page.$eval('::-p-aria([name="Done: Engine cold"])', (each) => each.hasAttribute("disabled")),
      )
      .toBe(true);
    // 110 is cool in °F and boils over in °C: in a shop of °F nobody's cap is opened on the one that wasn't meant.
    await page.keyboard.press("u");
    await seen(page, "°F · qt");
    await write("Coolant reads", "110");
    await page.waitForSelector("fieldset ::-p-text(Which degrees did it show?)");
    await page.keyboard.press("Enter");
    await tap(page, "It is 110 °C");
    await allSent(page);
    expect((await bookWords(page)).filter((line) => /110 °F/.test(line))).toEqual([]);
    await expect.poll(async () => (await bookWords(page)).at(-1)).toMatch(/230 °F/);
    await page.keyboard.press("u");
    await seen(page, "°C · L");
    await hoursPass(application, jobId("open-find"), 9);
    await stage("strip");
    await tap(page, "Upper hose soft and cool");
    await seen(page, "It may be opened");
    for (const name of [
      "Engine cold",
      "Battery off",
      "Car on stands",
      "Undertray off",
      "Coolant drained and measured",
      "Bumper off",
      "Fan and switch plugs off",
      "Hoses off",
      "Shroud and fan out",
      "Condenser unhooked and hung up",
      "Brackets off, radiator out",
    ]) {
      if (name === "Coolant drained and measured") await write("How much came out", "5.2");
      await stepDone(name);
    }
    await seen(page, "steps of the order are done.");
    await allSent(page);
    await expect.poll(async () => (await bookWords(page)).join("\n")).toMatch(/upper hose[\s\S]*lower hose/i);
    await expect
      .poll(async () => (await bookWords(page)).filter((line) => line.includes("Coolant drained: 5.2")))
      .toHaveLength(1);
    await stage("build");
    await expect.poll(() => stepsUnder("goes-back")).toEqual(["Radiator in, brackets on"]);
    await seen(page, "radiator still out");
    await page.locator("aside ::-p-text(more)").click();
    await expect.poll(() => openBalance(page)).toMatch(/condenser still hung up/);
  });

  it("undoes a step with what was seen, and whatever it took off is back with it", async () => {
    await tap(page, "pegs pulled at the bottom: they stay");
    await tap(page, "fins clear and straight");
    await tap(page, "Is back: Radiator in, brackets on");
    await page.waitForSelector('::-p-aria([name="Is back: Condenser back on its hooks"])');
    await allSent(page);
    const words = (await bookWords(page)).slice(-2).join("\n");
    expect(words).toMatch(/Radiator in, brackets on: pegs pulled at the bottom: they stay; fins clear/);
    await expect.poll(() => openBalance(page)).not.toMatch(/radiator still out/);
    await expect
      .poll(() => stepsUnder("goes-back"))
      .toEqual(["Condenser back on its hooks", "Shroud and fan in"]);
  });

  it("takes a part that went back by the entry line for the step undone", async () => {
    for (const line of ["in shroud", "in fan"]) {
      await page.locator("[data-entry-line]").fill(line);
      await page.keyboard.press("Enter");
    }
    await page.waitForFunction(() => !document.querySelector('[aria-label="Is back: Shroud and fan in"]'));
    await page.waitForSelector('::-p-aria([name="Is back: Hoses on"])');
  });

  it("keeps the bumper for after the fan was seen to pull, and books what isn't right as open", async () => {
    for (const name of ["Condenser back on its hooks", "Hoses on", "Fan and switch plugs on"])
      await tap(page, `Is back: ${name}`);
    await seen(page, "behind the bumper nobody sees it turn the wrong way");
    await expect.poll(() => stepsUnder("waits")).toContain("Bumper on");
    await tabOf("Look at it");
    await tap(page, "Not right: fan run: it pulls toward the engine");
    await allSent(page);
    await expect.poll(() => openBalance(page)).toMatch(/the fan blows away from the engine/);
    await tap(page, "Right: fan run: it pulls toward the engine");
    await tap(page, "Right: fan and covers tried in their places");
    await tabOf("Back");
    await page.waitForFunction(
      () => !document.querySelector('aside [aria-label="Open balance"]')?.textContent?.includes("blows away"),
    );
    await expect.poll(() => stepsUnder("goes-back")).toContain("Bumper on");
  });

  it("says at the end, in words, what is left over", async () => {
    await page.locator("[data-entry-line]").fill("out 2 clip undertray");
    await page.keyboard.press("Enter");
    for (const name of ["Bumper on", "Drain shut", "Undertray on", "Car down off its stands", "Battery on"])
      await tap(page, `Is back: ${name}`);
    await seen(page, "Left over or missing:");
    await seen(page, "2 × clip, undertray still out");
    await allSent(page);
  });
});

describe("while it is apart", () => {
  it("what was advised and declined is carried to Sign, what broke is on a list", async () => {
    await stage("strip");
    await tabOf("Apart");
    await write("What is wrong with: lower hose", "soft at its end");
    await tap(page, "lower hose: advised, declined");
    await tap(page, "belt: sound");
    await tap(page, "cap: new one advised");
    await tabOf("To get");
    await write("What is to get", "Undertray clip");
    await write("How many to get", "2");
    await tap(page, "Onto the list");
    // Two of those that lie there: they leave it until others are here.
    await seen(page, "2 × clip, undertray");
    await allSent(page);
    await expect.poll(() => openBalance(page)).toMatch(/2 × clip, undertray to get: broke/);
    await tap(page, "Is here: 2 × clip, undertray");
    await allSent(page);
    await expect.poll(async () => (await bookWords(page)).at(-1)).toMatch(/2 × clip, undertray: is here/);
    await stage("sign");
    await tabOf("In short");
    await seen(page, "lower hose (soft at its end)");
    await expect.poll(() => page.$eval("main dl", (list) => list.textContent)).toMatch(/Advisedcap/);
  });
});

describe("moving over and tightening", () => {
  it("says what is on the old part still, and how tight in general", async () => {
    await application.go(page, `/jobs/${jobId("open-build")}/build`);
    await tabOf("Move over");
    await seen(page, "On the old radiator still,");
    await tap(page, "bushes: moved over");
    await tap(page, "drain: new with it");
    await allSent(page);
    const left = await page.$eval(
      '[aria-label="From the old radiator"] [role="status"]',
      (said) => said.textContent,
    );
    expect(left).not.toMatch(/bushes|drain/);
    expect(left).toMatch(/pegs/);
    await tabOf("How tight");
    await seen(page, "for the threads out of this car");
    await seen(page, "24.6");
    await tap(page, "plastic");
    await seen(page, "snug only");
  });
});

describe("pads and bags", () => {
  it("write a plug with its side and wire, a hose with its clamp, what is hung up, a tool, what broke", async () => {
    await application.go(page, `/jobs/${jobId("open-build")}/strip`);
    await tabOf("Last time");
    await seen(page, "Last time on a Harl Tender");
    await tabOf("Off");
    await unfold(page, "Write it out");
    await tabOf("Plug");
    await tap(page, "right");
    await write("Wires, or what tells it from its neighbour", "Brown and white");
    await tap(page, "right fan plug is off");
    await tabOf("Hose");
    await tap(page, "heater");
    await write("Where the clamp sat", "ears up");
    await tap(page, "heater hose is off");
    await tabOf("Hung up");
    await tap(page, "condenser is hung up");
    await tabOf("Tool");
    await tap(page, "mirror");
    await tap(page, "mirror is in the engine bay");
    await tabOf("Bag");
    await tap(page, "T30");
    await tap(page, "1 × M6×20 into bag 1");
    await tap(page, "1 × M6×20 broke");
    await allSent(page);
    const words = (await bookWords(page)).slice(-6).join("\n");
    for (const said of [
      "Right fan plug (brown and white)",
      "Heater hose (spring clamp, ears up)",
      "Condenser (hung up)",
      "Tool mirror",
      "M6×20, bag 1 (T30)",
      "M6×20: broke, 1 to get",
    ])
      expect(words).toContain(said);
  });

  it("has a label for each bag, six to a page, whose code opens that bag", async () => {
    await tabOf("Labels");
    await seen(page, "Print 2 labels");
    for (let bag = 3; bag <= 7; bag++) {
      await page.locator("[data-entry-line]").fill(`out 1 m8x30 bag ${bag}`);
      await page.keyboard.press("Enter");
    }
    await seen(page, "Print 7 labels");
    await allSent(page);
    await application.go(page, `/jobs/${jobId("open-build")}/build?bag=bag%207`);
    await seen(page, "All that is out");
    await tap(page, "M8×30, bag 7: is back");
    await seen(page, "Nothing is left in bag 7.");
    await allSent(page);
    await application.go(
      page,
      `/jobs/${jobId("open-build")}/build?bag=${encodeURIComponent("<b>no such</b>")}`,
    );
    await seen(page, "Nothing is left in");
  });
});
