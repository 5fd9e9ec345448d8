import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { CIRCUITS, type CircuitKind, modelOf } from "../core/trade/diagnosis/knowledge/index.ts";
import {
  Application,
  addVehicle,
  atDesk,
  demoId,
  jobId,
  openJob,
  SHOP_ID,
  VEHICLES,
} from "./support/application.ts";
import { answerByKey, shownTest, workToVerdict } from "./support/diagnose.ts";
import type { Handle, ViewPage } from "./support/page.ts";
import {
  allSent,
  bookedLines,
  bookLine,
  bookWords,
  openTool,
  pressNext,
  readAnew,
  seen,
  settled,
  sign,
  tap,
  tapOn,
  unfold,
} from "./support/walk.ts";

let serial = 0;
let application: Application;
let page: ViewPage;
beforeAll(async () => {
  application = await Application.open();
  // A screen with both, as a laptop that folds over has.
  page = await application.signedIn("tobin");
});
afterAll(() => application.close());

const atShop = <Result>(work: Parameters<typeof atDesk<Result>>[2]) =>
  atDesk(application.scratch.database, { shopId: SHOP_ID, personId: demoId("person:tobin") }, work);

/** A new job on a demo vehicle, or on the one it has open. */
async function jobOn(vehicleKey: string): Promise<string> {
  const id = randomUUID();
  const vehicleId = demoId(`vehicle:${vehicleKey}`);
  return atShop(async (desk) => {
    const open = await desk.models.Job.findOne({
      where: { vehicleId, signedAt: null },
      transaction: desk.transaction,
    });
    return open?.id ?? (await openJob(desk, { id, vehicleId, bay: "lift 1", assignedTo: null })).id;
  });
}

/** A job on a car that the shop has never seen, with this circuit. */
async function jobOnNew(circuit: CircuitKind): Promise<string> {
  const made = VEHICLES.find(({ card }) => card.circuit === circuit);
  if (!made) throw new Error(`no demo vehicle has ${circuit}`);
  serial++;
  const vehicle = {
    id: randomUUID(),
    plate: `MRW ${8000 + serial}`,
    vin: `0MRNEWN20SD00${8000 + serial}`,
    name: "Quillon Finch",
    use: "",
    distanceKm: 1000,
    card: made.card,
  };
  await atShop((desk) => addVehicle(desk, vehicle));
  const job = { id: randomUUID(), vehicleId: vehicle.id, bay: "", assignedTo: null };
  return (await atShop((desk) => openJob(desk, job))).id;
}

/** The three questions, answered as a car with a fan module answers them. */
async function settleAsModule(): Promise<void> {
  await tap(page, "there is none");
  await page.locator('[aria-label="Is there a fan relay?"] ::-p-text(no)').click();
  await page.locator('[aria-label="Does unplugging the coolant sensor run the fan?"] ::-p-text(yes)').click();
  await tap(page, "It is: computer drives a fan module");
  await page.waitForSelector("#next-test");
  await allSent(page);
}

async function press(on: ViewPage, selector: string, how: "keyboard" | "touch"): Promise<void> {
  if (how === "touch") return tapOn(on, selector, "touch");
  const target = await on.waitForSelector(selector);
  await target?.focus();
  await on.keyboard.press("Enter");
}

/** Takes a test by its name: the one that is shown, or one of the others. */
async function chooseTest(on: ViewPage, test: string, how: "keyboard" | "touch"): Promise<void> {
  await on.waitForSelector("#next-test, #verdict");
  if ((await on.evaluate(() => document.querySelector("#next-test")?.textContent)) === test) return;
  await openTool(on, "Other tests");
  await press(on, `::-p-aria([name="${test}"][role="button"])`, how);
  await on.waitForFunction((name) => document.querySelector("#next-test")?.textContent === name, {}, test);
}

async function answer(
  on: ViewPage,
  kind: CircuitKind,
  outcome: string,
  how: "keyboard" | "touch",
): Promise<void> {
  const id = (await shownTest(on)) ?? "";
  const index = modelOf(CIRCUITS[kind])
    .tests.find((test) => test.id === id)
    ?.outcomes.findIndex((each) => each.id === outcome);
  if (how === "keyboard") {
    await answerByKey(on, ["a", "s", "d", "f"][index ?? 0] as "a");
  } else {
    const button = (await on.$$('section[aria-labelledby="next-test"] .grid button'))[index ?? 0];
    await button?.evaluate((element) => element.scrollIntoView({ block: "center" }));
    await button?.tap();
  }
  await on.waitForFunction(
    (last) => document.querySelector("[data-next-test]")?.getAttribute("data-next-test") !== last,
    {},
    id,
  );
}

async function ask(on: ViewPage, job: string, complaint: string, trouble: string): Promise<void> {
  await application.go(on, `/jobs/${job}/ask`);
  await on.locator('::-p-aria([name="Complaint, in their words"])').fill(complaint);
  if (await on.$('main button[aria-expanded="false"]::-p-text(What is the trouble?)'))
    await unfold(on, "What is the trouble?");
  await tap(on, trouble);
  await tap(on, "Book it");
  await allSent(on);
}

/** As it is read out: “fan motor dead, 9 percent, up 3”. */
const shareOf = (on: ViewPage, name: string): Promise<string> =>
  on.$$eval(
    'section[aria-labelledby="suspects"] li summary .sr-only',
    (rows, wanted) =>
      rows
        .map((row) => row.textContent ?? "")
        .find((text) => text.startsWith(wanted))
        ?.split(" percent")[0] ?? "",
    name,
  );

describe("from Ask to verdict", () => {
  it("by keyboard and by touch in turn: a two-stage switch that never closes", async () => {
    const job = jobId("open-find");
    await ask(page, job, "Fan never heard in the school queue", "fan never runs");
    await page.keyboard.press("Escape");
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press("2");
    await page.waitForFunction(() => location.pathname.endsWith("/find"));
    await seen(page, "in this shop: ");
    const tests = await workToVerdict(page, "switch-2", "switch-open", "both");
    expect(tests.length).toBeLessThan(12);
    await expect
      .poll(() => page.$eval("#verdict", (heading) => heading.textContent))
      .toBe("Switch never closes");
    await seen(page, "more than it saves");
    await tap(page, "This is the fault: book it");
    await seen(page, "Booked as the fault:");
    await allSent(page);
    await pressNext(page);
    await page.waitForFunction(() => location.pathname.endsWith("/plan"));
  });

  it("what led to a finding is folded away behind it, and answers to no key", async () => {
    await application.go(page, `/jobs/${jobId("open-find")}/find`);
    await seen(page, "Booked as the fault:");
    const before = await bookedLines(page);
    for (const key of ["a", "s", "z"] as const) await page.keyboard.press(key);
    // Nor does a test that is chosen stay behind it.
    await openTool(page, "Other tests");
    expect(await page.$("#next-test")).toBeNull();
    const other = await page.waitForSelector('[role="tabpanel"][data-state="active"] button');
    await other?.evaluate((each) => each.click());
    await page.waitForSelector("#next-test");
    await allSent(page);
    expect(await bookedLines(page)).toBe(before);
  });

  it("by touch: an open coolant sensor on a computer's circuit", async () => {
    const tablet = await application.signedIn("ilse");
    const job = await jobOn("courier");
    await ask(tablet, job, "Fan roars from the moment it starts, lamp on", "fan runs all the time");
    await application.go(tablet, `/jobs/${job}/find`);
    const tests = await workToVerdict(tablet, "ecu-relay", "sensor-open", "touch");
    expect(tests.length).toBeLessThan(10);
    await expect
      .poll(() => tablet.$eval("#verdict", (heading) => heading.textContent))
      .toBe("Coolant sensor open");
    await tap(tablet, "This is the fault: book it", "touch");
    await seen(tablet, "Booked as the fault:");
    await tablet.close();
  });

  it("by keyboard and by touch in turn: nothing wrong, with the text for the owner, proven and signed", async () => {
    const job = await jobOn("pannier");
    await ask(page, job, "Gauge climbs past the middle before the fan comes", "gauge reads high");
    await application.go(page, `/jobs/${job}/find`);
    await workToVerdict(page, "ecu-module", "nothing-wrong", "both");
    await expect
      .poll(() => page.$eval("#verdict", (heading) => heading.textContent))
      .toBe("Within its card, nothing wrong");
    await seen(page, "the fan is meant to start at 99");
    await tap(page, "Put it in the book");
    await tap(page, "Nothing wrong: book it");
    await seen(page, "Booked: nothing wrong.");
    await allSent(page);
    await expect
      .poll(async () => (await bookWords(page)).join("\n"))
      .toMatch(/For the owner: We looked for a fault/);
    await application.go(page, `/jobs/${job}/plan`);
    await tap(page, "No parts needed");
    await allSent(page);
    await application.go(page, `/jobs/${job}/prove`);
    const input = await page.waitForSelector('input[type="file"]');
    await (input as Handle).uploadFile("samples/sound-one-fan.csv");
    await page.waitForSelector("figure svg");
    await tap(page, "Book this log");
    await seen(page, "2041 rows · booked");
    await bookLine(page, "level line");
    await allSent(page);
    await application.go(page, `/jobs/${job}/sign`);
    await seen(page, "Everything is accounted for.");
    await sign(page);
    await seen(page, "Signed and locked");
    await seen(page, "nothing wrong");
  });

  it("by keyboard and by touch in turn: two faults at once are told as two", async () => {
    const on = page;
    const job = await jobOnNew("switch-1");
    await ask(on, job, "Gets hot standing still, and slow to warm", "hot standing still");
    await application.go(on, `/jobs/${job}/find`);
    for (const [index, [test, outcome]] of (
      [
        ["Look and listen: leaks, trails, hoses, plugs", "dry"],
        ["Level, cold", "line"],
        ["Fan fuse and its neighbours, by meter", "sound"],
        ["Bridge the switch plug", "stands"],
        ["Voltage drop on the ground side, under load", "high"],
        ["Thermostat by the hoses or the log's bend", "early"],
        ["Heater on full, engine warm", "lukewarm"],
      ] as const
    ).entries()) {
      const how = index % 2 === 0 ? "keyboard" : "touch";
      await chooseTest(on, test, how);
      await answer(on, "switch-1", outcome, how);
      await allSent(on);
      await readAnew(on);
      await settled(on);
    }
    await seen(on, "No single fault fits everything");
    await seen(on, "ground open or corroded and thermostat hangs open");
    await tap(on, "Repeat it");
    await seen(on, "Once more");
    await on.locator("::-p-text(Both, book it)").click();
    await seen(on, "Ground open or corroded and thermostat hangs open");
    await allSent(on);
  });
});

describe("the plan changes at once", () => {
  let job: string;
  it("when a test can't be done here, and back", async () => {
    job = await jobOn("duo");
    await ask(page, job, "Hot in town", "hot standing still");
    await application.go(page, `/jobs/${job}/find`);
    const first = await shownTest(page);
    await answerByKey(page, "x");
    await page.waitForFunction(
      (last) => document.querySelector("[data-next-test]")?.getAttribute("data-next-test") !== last,
      {},
      first,
    );
    await seen(page, "can't be done here: no tool");
    await allSent(page);
    await openTool(page, "Done");
    await tap(page, "It can now");
    await page.waitForFunction(
      (last) => document.querySelector("[data-next-test]")?.getAttribute("data-next-test") === last,
      {},
      first,
    );
    await allSent(page);
  });

  it("when a result is not sure: no belief moves, and the test is not asked again", async () => {
    const before = await shareOf(page, "fan motor dead");
    const first = await shownTest(page);
    await answerByKey(page, "z");
    await page.waitForFunction(
      (last) => document.querySelector("[data-next-test]")?.getAttribute("data-next-test") !== last,
      {},
      first,
    );
    await allSent(page);
    await expect.poll(() => shareOf(page, "fan motor dead")).toBe(before);
  });

  it("when evidence is taken back", async () => {
    const before = await shareOf(page, "fan motor dead");
    await shownTest(page);
    await answerByKey(page, "s");
    await page.waitForFunction(
      (last) =>
        [...document.querySelectorAll('section[aria-labelledby="suspects"] li summary .sr-only')]
          .map((row) => row.textContent ?? "")
          .find((text) => text.startsWith("fan motor dead"))
          ?.split(" percent")[0] !== last,
      {},
      before,
    );
    await allSent(page);
    const back = await page.$$('::-p-aria([role="button"])');
    for (const button of back.reverse()) {
      const label = await button.evaluate((each) => each.getAttribute("aria-label") ?? "");
      if (!label.startsWith("Take it back")) continue;
      await button.click();
      break;
    }
    await page.waitForFunction(
      (first) =>
        [...document.querySelectorAll('section[aria-labelledby="suspects"] li summary .sr-only')]
          .map((row) => row.textContent ?? "")
          .find((text) => text.startsWith("fan motor dead"))
          ?.split(" percent")[0] === first,
      {},
      before,
    );
    await allSent(page);
  });

  it("when a reading past the card's start is booked with no fan heard", async () => {
    await openTool(page, "Done");
    await bookLine(page, "ect 110 fan none");
    await seen(page, "by the reading booked");
    await seen(page, "Past the start, no fan");
  });
});

describe("instruments", () => {
  const open = async (name: string) => {
    await page.locator(`::-p-aria([name="${name}"][role="tab"])`).click();
  };
  const fill = (label: string, text: string) => page.locator(`::-p-aria([name="${label}"])`).fill(text);

  it("say why they can't, and book what they can as evidence", async () => {
    await application.go(page, `/jobs/${await jobOn("courier")}/find`);
    await openTool(page, "Instruments");
    await open("Switch stamp");
    await fill("As stamped", "94 86 101");
    await seen(page, "three figures");
    await open("Sensor ohms");
    await fill("Meter, or OL", "OL");
    await fill("Housing", "80");
    await seen(page, "Open: the computer reads");
    await fill("Housing", "800");
    await seen(page, "outside -40 to 130");
    await open("Voltage drop");
    await fill("At the source", "12.6");
    await fill("At the load", "11.2");
    await fill("Load", "18");
    await seen(page, "1.40 V at 18 A is over 0.5 V");
    const buttons = await page.$$('section[aria-labelledby="instruments"] button::-p-text(Book it)');
    await buttons[0]?.click();
    await allSent(page);
    await seen(page, "Voltage drop on the ground side, under load");
    await expect.poll(async () => (await bookWords(page)).at(-1)).toMatch(/1\.40 V at 18 A/);
  });

  it("each come up with the keyboard alone", async () => {
    await open("Switch stamp");
    for (const name of ["Pot test", "Sensor ohms", "Voltage drop", "Fuse and jumper", "Duty", "Cold soak"]) {
      await page.keyboard.press("ArrowRight");
      await page.waitForSelector(`[role="tab"][data-state="active"]::-p-text(${name})`);
    }
  });
});

describe("every circuit", () => {
  it.each(
    [...new Map(VEHICLES.map((vehicle) => [vehicle.card.circuit, vehicle])).values()].map(
      (vehicle) => [vehicle.card.circuit, vehicle.key] as const,
    ),
  )("%s has its map, a next test and suspects", async (_, key) => {
    await application.go(page, `/jobs/${await jobOn(key)}/find`);
    await openTool(page, "Map");
    await page.waitForSelector('svg[aria-label^="Circuit:"]');
    // Where a finding is booked already, what led to it is opened first.
    if (await page.$("main h3 button[aria-expanded] ::-p-text(What led to it)"))
      await unfold(page, "What led to it");
    await page.waitForSelector("#next-test, #verdict");
    await expect
      .poll(async () => (await page.$$('section[aria-labelledby="suspects"] li')).length)
      .toBeGreaterThan(0);
  });

  it("not known is settled by three questions", async () => {
    const vehicleId = randomUUID();
    await atShop((desk) =>
      addVehicle(desk, {
        id: vehicleId,
        plate: "MRW 7007",
        vin: "0MRUNKN20SD007007",
        name: "Quillon Pannier",
        use: "",
        distanceKm: 10,
        card: null,
      }),
    );
    const { id } = await atShop((desk) =>
      openJob(desk, { id: randomUUID(), vehicleId, bay: "", assignedTo: null }),
    );
    await application.go(page, `/jobs/${id}/find`);
    await seen(page, "How is the fan controlled?");
    await settleAsModule();
  });

  it("settled once stands on the vehicle's card with who settled it, and the card can be changed", async () => {
    const made = VEHICLES.find(({ card }) => card.circuit === "ecu-module");
    if (!made) throw new Error("no demo vehicle has a fan module");
    const vehicleId = randomUUID();
    await atShop((desk) =>
      addVehicle(desk, {
        id: vehicleId,
        plate: "MRW 7008",
        vin: "0MRUNKN20SD007008",
        name: "Quillon Pannier",
        use: "",
        distanceKm: 10,
        card: { ...made.card, circuit: null },
      }),
    );
    const { id } = await atShop((desk) =>
      openJob(desk, { id: randomUUID(), vehicleId, bay: "", assignedTo: null }),
    );
    await application.go(page, `/jobs/${id}/find`);
    await settleAsModule();
    await application.go(page, `/vehicles/${vehicleId}`);
    await seen(page, "engine computer, fan module");
    await tap(page, "One change");
    await seen(page, "Tobin Askel, settled in job");
    await tap(page, "Change the card");
    await page.waitForSelector('input[name="thermostatOpens"]');
    await page.locator('input[name="thermostatOpens"]').fill("91");
    await tap(page, "Change the card");
    await tap(page, "2 changes");
    await seen(page, "thermostat opens");
    await seen(page, "91\u00a0°C");
  });
});
