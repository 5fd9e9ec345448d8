import type { Page } from "puppeteer-core";
import { stepDoneDrafts, tookOrder } from "../../core/book/acts/index.ts";
import { stepsFor } from "../../core/trade/order/index.ts";
import { portCars } from "../../demo/port-cars.ts";
import { jobId } from "../../demo/seed.ts";
import { demoId } from "../../demo/story.ts";
import { startAdapter } from "../../stand-ins/scan-adapter/adapter.ts";
import type { Application } from "./application.ts";
import { workToVerdict } from "./diagnose.ts";
import { aNight, bookLine, openTool, seen, sendLines, tap, write } from "./walk.ts";

const job = (key: string, stage: string) => `/jobs/${jobId(key)}/${stage}`;
const typed = (text: string) => (page: Page) => page.locator("[data-entry-line]").fill(text);
const chart = (page: Page) => page.waitForSelector("figure svg");

const provenLog = async (page: Page) => {
  await openTool(page, "Warm-up log");
  await chart(page);
  await page.$eval('[role="tablist"]', (part) => part.scrollIntoView());
};

const STRIPPED = ["cold", "stands", "undertray", "drain", "plugs", "hoses"];

/** With an order of work, and come as far as what is off already. */
async function stripping(page: Page, application: Application): Promise<void> {
  const steps = stepsFor("radiator", ["undertray"]);
  const done = steps.filter(({ id }) => STRIPPED.includes(id)).flatMap((step) => stepDoneDrafts(step, []));
  const told = done.filter(({ kind }) => kind === "note");
  await sendLines(page, job("open-build", "").slice(0, -1), [
    tookOrder("radiator", ["undertray"], steps, "3 h"),
    ...told,
  ]);
  await application.go(page, job("open-build", "strip"));
  await typed("out 3 m6x20 airbox bag 3")(page);
  await page.$eval('[role="tablist"]', (part) => part.scrollIntoView());
}

export interface Screen {
  name: string;
  path: string;
  before?: (page: Page, application: Application) => Promise<unknown>;
}

/** Plan's tools with something in them. */
async function options(page: Page): Promise<void> {
  await openTool(page, "Which part");
  const typed: [string, string][] = [
    ["Part to buy", "radiator"],
    ["Supplier of option 1", "Coldbrook Parts"],
    ["Price of option 1", "412.50"],
    ["Days to wait of option 1", "3"],
    ["Supplier of option 2", "Tansy & Rudge"],
    ["Price of option 2", "149"],
    ["Days to wait of option 2", "1"],
  ];
  for (const [label, text] of typed) await write(page, label, text);
  await page.waitForSelector('[role="img"][aria-label*="on average"]');
  await page.$eval('section[aria-label="Options side by side"]', (part) => part.scrollIntoView());
}

async function wiring(page: Page): Promise<void> {
  await page.locator('[role="tab"]::-p-text(Fan wiring)').click();
  await write(page, "Motor draws", "22");
  await write(page, "Lead, one way", "1.8");
  await page.$eval("[data-sheet]", (part) => part.scrollIntoView());
}

async function pictures(page: Page): Promise<void> {
  await openTool(page, "Pictures");
  await page.waitForSelector('[aria-label^="Open the picture: left fan plug"]');
  await page.$eval('[role="tablist"]', (part) => part.scrollIntoView());
  await page.waitForFunction(() =>
    [...document.querySelectorAll("main img")].every((each) => (each as HTMLImageElement).naturalWidth > 0),
  );
}

/** A warm-up behind it, shut off and read: it cools, and its cap stays shut. */
async function bleeding(page: Page, application: Application): Promise<void> {
  await aNight(application, page);
  await openTool(page, "Air out");
  await tap(page, "Begin: expansion tank");
  await tap(page, "Upper hose soft and cool");
  for (const order of ["Start it", "Raise the revs", "Engine off"]) {
    await tap(page, "Done: the next step");
    await seen(page, order);
  }
  for (const line of ["room 18", "coolant 94"]) await bookLine(page, line);
  await seen(page, "Not yet");
  await page.$eval("#bleeding", (part) => part.scrollIntoView());
}

/** A log that is being recorded, come as far as its first fan. */
async function live(page: Page, { scratch }: Application): Promise<void> {
  const { port, close } = await startAdapter({ cars: portCars(), delayMs: [1, 6] });
  page.once("close", () => void close());
  await scratch.owner.sequelize.query(
    "UPDATE shops SET adapter = jsonb_set(adapter, '{port}', to_jsonb($1::int))",
    { bind: [port] },
  );
  await openTool(page, "Live log");
  await page.locator("::-p-aria(What stands in for the car)").fill("car scholar pace 60");
  await tap(page, "Begin the log");
  await seen(page, "upper hose hot");
  await page.waitForFunction(() =>
    /thermostat opens/.test(document.querySelector("figure")?.textContent ?? ""),
  );
  await page.keyboard.press("t");
  await page.waitForFunction(() => /The fan runs|were seen/.test(document.body.textContent ?? ""));
  await page.keyboard.press("f");
  await seen(page, "fan on");
}

/** A car that has run twenty minutes, and its fan's motor dead since then. */
async function bench(page: Page): Promise<void> {
  await tap(page, "Pace: 60 ×");
  await tap(page, "Run it");
  await page.waitForFunction(() => /It ran\s*2\d:/.test(document.querySelector("main")?.textContent ?? ""));
  await page.locator('::-p-aria([name="Fault"][role="combobox"])').fill("motor");
  await tap(page, "Put in");
  await page.waitForFunction(() => /It ran\s*3\d:/.test(document.querySelector("main")?.textContent ?? ""));
  await tap(page, "Hold it");
  await page.waitForFunction(() => /fan on/.test(document.querySelector("figure")?.textContent ?? ""));
}

const CHANCE = 0.371;

/** A round in hand: the level looked at, the engine warmed up. */
async function practice(page: Page, application: Application): Promise<void> {
  await page.evaluateOnNewDocument(`Math.random = () => ${CHANCE}`);
  await application.go(page, "/bench/practice");
  await tap(page, "Take it in");
  for (const test of ["Motor's draw against its fuse 5 minutes", "Level, cold 1 minutes"]) {
    await tap(page, test);
    await tap(page, "Do it");
    await page.waitForSelector("[data-came]");
  }
  await tap(page, "Warm it up and watch, or log it 25 minutes");
  await tap(page, "Do it");
  await seen(page, "Past the start, no fan");
  await tap(page, "Show what is still possible");
  await page.$eval("main", (part) => part.scrollIntoView());
}

/** Looked at by their own tests, so that the others need not walk them too. */
export const TOOL_SCREENS: Screen[] = [
  { name: "which-part", path: job("open-prove", "plan"), before: options },
  { name: "shelf", path: "/shelf" },
  { name: "watch", path: "/watch" },
  { name: "bleeding", path: job("open-fill", "fill"), before: bleeding },
  { name: "pictures", path: job("open-build", "strip"), before: pictures },
  { name: "bench", path: "/bench", before: bench },
  { name: "practice", path: "/bench/practice", before: practice },
  { name: "live", path: job("open-prove", "prove"), before: live },
  { name: "fan-wiring", path: job("open-build", "plan"), before: wiring },
];

/** Every main view with the made-up shop in it: what the screenshots show and the accessibility check walks. */
export const SCREENS: Screen[] = [
  { name: "sign-in", path: "/sign-in" },
  { name: "today", path: "/" },
  { name: "mine", path: "/mine" },
  { name: "vehicles", path: "/vehicles?find=br" },
  { name: "vehicle", path: `/vehicles/${demoId("vehicle:scholar")}` },
  { name: "add-vehicle", path: "/vehicles/new" },
  { name: "card", path: `/vehicles/${demoId("vehicle:scholar")}/card` },
  { name: "shop", path: "/shop" },
  { name: "ask", path: job("open-find", "ask") },
  { name: "find", path: job("open-find", "find") },
  { name: "plan", path: job("open-build", "plan") },
  { name: "strip", path: job("open-build", "strip"), before: stripping },
  { name: "build", path: job("open-build", "build"), before: typed("in 2 m8x25 bag 2") },
  { name: "fill", path: job("open-prove", "fill") },
  { name: "prove", path: job("open-prove", "prove"), before: provenLog },
  { name: "sign", path: job("open-build", "sign") },
  { name: "report", path: job("s17", "report"), before: chart },
  {
    name: "find-verdict",
    path: job("open-find", "find"),
    before: (page) => workToVerdict(page, "switch-2", "switch-open", "keyboard"),
  },
];
