import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { Application, atDesk, demoId, openJob, SHOP_ID } from "./support/application.ts";
import type { ViewPage } from "./support/page.ts";
import { allSent, bookWords, openTool, seen, tap } from "./support/walk.ts";

let application: Application;
let page: ViewPage;
beforeAll(async () => {
  application = await Application.open();
  page = await application.signedIn("tobin");
});
afterAll(() => application.close());

async function findOn(vehicleKey: string): Promise<void> {
  const { id } = await atDesk(
    application.scratch.database,
    { shopId: SHOP_ID, personId: demoId("person:tobin") },
    (desk) =>
      openJob(desk, {
        id: randomUUID(),
        vehicleId: demoId(`vehicle:${vehicleKey}`),
        bay: "",
        assignedTo: null,
      }),
  );
  await application.go(page, `/jobs/${id}/find`);
  await openTool(page, "Instruments");
}

const open = (name: string) => page.locator(`::-p-aria([name="${name}"][role="tab"])`).click();
const fill = (label: string, text: string) => page.locator(`::-p-aria([name="${label}"])`).fill(text);
const bookIt = async () => {
  await page
    .locator('section[aria-labelledby="instruments"] [role="tabpanel"] button::-p-text(Book it)')
    .click();
  await allSent(page);
};
const lastLine = async () => (await bookWords(page)).at(-1) ?? "";
const done = async (test: string) => {
  await openTool(page, "Done");
  await page.waitForSelector(`::-p-aria(Once more: ${test})`);
  await openTool(page, "Instruments");
};

describe("on a car with a switch", () => {
  beforeAll(() => findOn("finch"));

  it("the stamp is read against the card, both scales shown", async () => {
    await open("Switch stamp");
    await fill("As stamped", "203F/194F");
    await seen(page, "Stamped on 95");
    await bookIt();
    await expect.poll(() => lastLine()).toMatch(/Stamped on 95 °C/);
    await done("Read the switch's stamp against the card");
    await fill("As stamped", "105/98");
    await seen(page, "another rating");
    await bookIt();
    await expect.poll(() => lastLine()).toMatch(/corrected.*another rating/);
  });

  it("the pot finds where it closes and opens", async () => {
    await open("Pot test");
    const note = async (celsius: string) => {
      await fill("Water", celsius);
      await tap(page, "Note it");
    };
    for (const celsius of ["85", "90", "94"]) await note(celsius);
    await page.locator('[aria-label="Meter says"] button').click();
    for (const celsius of ["96", "98", "92"]) await note(celsius);
    await page.locator('[aria-label="Meter says"] button').click();
    await note("88");
    await seen(page, "Stage 1 closes at 95.0 °C, opens at 90.0 °C");
    await bookIt();
    await done("Switch in the pot with a thermometer");
  });

  it("a fuse for the jumper is named, and a draw too big for one refused", async () => {
    await open("Fuse and jumper");
    await fill("Motor draws", "12");
    await fill("Its fuse", "30");
    await seen(page, "Fuse for the jumper: 15 A.");
    await fill("Motor draws", "33");
    await seen(page, "can't go through a fused jumper");
    await seen(page, "is more than a 30 A fuse carries");
    await bookIt();
    await expect.poll(() => lastLine()).toMatch(/Motor's draw.*fail/);
  });
});

describe("on a car with a computer and a module", () => {
  beforeAll(() => findOn("pannier"));

  it("the sensor is held against the card's own curve", async () => {
    await open("Sensor ohms");
    await fill("Meter, or OL", "320");
    await fill("Housing", "80");
    await seen(page, "on the card's curve");
    await bookIt();
    await done("Coolant sensor's ohms against its curve");
  });

  it("duty asks for feed and ground before it passes, and a steady level is no duty", async () => {
    await open("Duty");
    await fill("Duty, as the meter", "30");
    await seen(page, "Look at feed and ground too");
    await tap(page, "both there");
    await seen(page, "Feed and ground are there");
    await fill("Duty, as the meter", "100");
    await seen(page, "no signal");
    await bookIt();
    await expect.poll(() => lastLine()).toMatch(/no signal.*fail/);
  });

  it("a cold soak is not seen when the engine stood too short, and books no belief then", async () => {
    await open("Cold soak");
    await fill("Coolant sensor", "24");
    await fill("Intake air", "12");
    await fill("Room", "11");
    await fill("Stood for", "2");
    await seen(page, "may still be warm");
    await fill("Stood for", "11");
    await seen(page, "13 °C apart");
    await fill("Coolant sensor", "minus two");
    await seen(page, "NaN °C of the sensor is outside");
    await fill("Coolant sensor", "−40");
    await seen(page, "what an open circuit reads");
    await bookIt();
    await seen(page, "coolant sensor open");
  });
});

describe("for somebody who reads °F", () => {
  beforeAll(async () => {
    await findOn("courier");
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    await page.keyboard.press("u");
    await seen(page, "°F · qt");
  });

  it("temperatures are typed, judged and said in °F, and booked as what they are", async () => {
    await open("Sensor ohms");
    await fill("Meter, or OL", "320");
    await fill("Housing", "176");
    const said = () => page.$eval('section[aria-labelledby="instruments"]', (part) => part.textContent ?? "");
    await page.waitForFunction(() =>
      document.querySelector('section[aria-labelledby="instruments"]')?.textContent?.includes("°F"),
    );
    await expect.poll(() => said()).toMatch(/pass.*°F/);
    await fill("Housing", "1760");
    await seen(page, "is outside");
    await expect.poll(() => said()).toMatch(/outside −40.°F \(-40.°C\) to 266.°F/);
    await fill("Housing", "176");
    await bookIt();
    await expect.poll(() => lastLine()).toMatch(/°F/);
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    await page.keyboard.press("u");
    await seen(page, "°C · L");
    await expect.poll(() => lastLine()).toMatch(/80.°C/);
  });
});
