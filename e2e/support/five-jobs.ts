import type { Page } from "puppeteer-core";
import type { CircuitKind } from "../../core/trade/diagnosis/knowledge/index.ts";
import { vehicle as demoVehicle } from "../../demo/job-kinds.ts";
import { demoId } from "../../demo/story.ts";
import { type Application, settled } from "./application.ts";
import { shownTest } from "./diagnose.ts";
import { likeliestOutcome } from "./likeliest.ts";
import { allSent, aNight, seen, tapOn } from "./walk.ts";

/** One of the jobs that a shop has every week, as somebody does it who follows what is in hand and nothing else. */
export interface WeeksJob {
  name: string;
  vehicle: string;
  /** What is wrong with the car. */
  truth: string;
  complaint: string;
  trouble: string;
  distanceKm: number;
}

export const FIVE_JOBS: readonly WeeksJob[] = [
  {
    name: "fan fuse and motor",
    vehicle: "finch",
    truth: "fuse",
    complaint: "Hot standing, no fan heard",
    trouble: "fan never runs",
    distanceKm: 61_500,
  },
  {
    name: "radiator leak to signed with its log",
    vehicle: "pannier",
    truth: "leak-radiator",
    complaint: "Puddle under it after the school run",
    trouble: "loses coolant",
    distanceKm: 202_500,
  },
  {
    name: "nothing wrong",
    vehicle: "courier",
    truth: "nothing-wrong",
    complaint: "The gauge reads high",
    trouble: "gauge reads high",
    distanceKm: 203_500,
  },
  {
    name: "slow loss",
    vehicle: "duo",
    truth: "leak-hose",
    complaint: "A little lower every week",
    trouble: "loses coolant",
    distanceKm: 204_500,
  },
  {
    name: "comeback",
    vehicle: "finch",
    truth: "motor",
    complaint: "Fan dead again, a week after",
    trouble: "fan never runs",
    distanceKm: 61_540,
  },
];

export type Hand = "touch" | "keyboard";

/** What hands had to do: taps, or keys that are no letters, and letters and figures typed. */
export interface Counted {
  acts: number;
  taps: number;
  letters: number;
  /** Tests on Find, and everything after it. */
  done: string[];
}

const MOST_TURNS = 110;
const MOST_TABS = 60;
const OUTCOME_KEYS = ["a", "s", "d", "f", "q", "w"];

const stageOf = (page: Page) => new URL(page.url()).pathname.split("/").at(-1);
export const inHand = (page: Page) =>
  page.evaluate(() => document.querySelector("[data-in-hand]")?.getAttribute("data-in-hand") ?? null);

/** A control, by what it is and what stands on it. */
interface Target {
  css: string;
  text?: string;
}

const selectorOf = ({ css, text }: Target) => (text ? `${css}::-p-text(${text})` : css);

/** A person at a job: by touch, or by keys with Tab for whatever has no key of its own. */
class Worker {
  readonly counted: Counted = { acts: 0, taps: 0, letters: 0, done: [] };

  constructor(
    readonly application: Application,
    readonly page: Page,
    private readonly hand: Hand,
  ) {}

  private async tabTo({ css, text = "" }: Target): Promise<void> {
    const isThere = () =>
      this.page.evaluate(
        (wanted, words) =>
          document.activeElement?.matches(wanted) === true &&
          (document.activeElement.textContent ?? "").includes(words),
        css,
        text,
      );
    for (let tab = 0; tab < MOST_TABS; tab++) {
      if (await isThere()) return;
      await this.page.keyboard.press("Tab");
      this.counted.taps++;
    }
    throw new Error(`no ${css} ${text} within ${MOST_TABS} tabs of where the focus was`);
  }

  /** The control, tapped; or gone to and pressed. */
  async use(target: Target): Promise<void> {
    this.counted.taps++;
    if (this.hand === "touch") return tapOn(this.page, selectorOf(target), "touch");
    await this.page.waitForSelector(selectorOf(target));
    await this.tabTo(target);
    await this.page.waitForFunction(() => !document.activeElement?.closest("[data-rests]"));
    await this.page.keyboard.press("Enter");
  }

  async type(target: Target, text: string): Promise<void> {
    this.counted.letters += text.length;
    if (this.hand === "touch") {
      this.counted.taps++;
      await tapOn(this.page, selectorOf(target), "touch");
    } else await this.tabTo(target);
    await this.page.keyboard.type(text);
  }

  /** The large button: a tap on it, or its key. */
  async next(): Promise<void> {
    if (this.hand === "touch") return this.use({ css: "[data-next]:not([data-rests])" });
    this.counted.taps++;
    const isTyping = await this.page.evaluate(() => document.activeElement instanceof HTMLInputElement);
    await this.page.waitForSelector("[data-next]:not([data-rests])");
    await this.page.keyboard.press(isTyping ? "Enter" : "n");
  }

  /** What books or leads on leaves whoever uses keys at something: a browser's default is nowhere. */
  async isSomewhere(): Promise<void> {
    if (this.hand === "touch") return;
    await this.page
      .waitForFunction(() => document.activeElement !== document.body)
      .catch(() => {
        throw new Error("the focus is nowhere");
      });
  }

  /** A control that is some way down: by keys the large button's own key goes near it. */
  async to(target: Target): Promise<void> {
    if (this.hand === "keyboard" && (await this.page.$("[data-next]"))) await this.next();
    await this.use(target);
  }

  async answer(index: number): Promise<void> {
    if (this.hand === "touch") {
      this.counted.taps++;
      const buttons = await this.page.$$('section[aria-labelledby="next-test"] .grid button');
      return buttons[index]?.tap();
    }
    const isThere = () =>
      this.page.evaluate(() => document.activeElement?.closest('[aria-labelledby="next-test"]') !== null);
    if (!(await isThere())) await this.next();
    await this.page.waitForFunction(() => document.activeElement?.closest('[aria-labelledby="next-test"]'));
    this.counted.taps++;
    await this.page.keyboard.press(OUTCOME_KEYS[index] as "a");
  }
}

async function ask(worker: Worker, { complaint, distanceKm, trouble }: WeeksJob): Promise<void> {
  await worker.type({ css: "textarea" }, complaint);
  await worker.type({ css: 'input[inputmode="numeric"]' }, String(distanceKm));
  await worker.use({ css: '[aria-label="What is the trouble?"] button', text: trouble });
  await worker.next();
  await worker.isSomewhere();
  await allSent(worker.page);
}

/** One thing on Find: the test that is shown, answered as this car would; or the verdict, booked. */
async function find(worker: Worker, { vehicle, truth }: WeeksJob): Promise<string> {
  const { page } = worker;
  const test = await shownTest(page);
  if (test === null) {
    await worker.use({ css: 'section[aria-labelledby="verdict"] button', text: "book it" });
    await seen(page, truth === "nothing-wrong" ? "Booked: nothing wrong" : "Booked as the fault");
    await allSent(page);
    return "verdict";
  }
  await worker.answer(likeliestOutcome(demoVehicle(vehicle).card.circuit as CircuitKind, test, truth));
  await page.waitForFunction(
    (last) => document.querySelector("[data-next-test]")?.getAttribute("data-next-test") !== last,
    {},
    test,
  );
  await allSent(page);
  return `test ${test}`;
}

const CAP_IS_COOL = { css: "[data-in-hand] button", text: "Upper hose soft and cool" };
const isDecided = (page: Page) =>
  page.evaluate(() => /Booked: nothing wrong|Booked as the fault/.test(document.body.textContent ?? ""));

/** One thing of what is in hand, by somebody who does nothing else; its name, or where it led. */
async function once(worker: Worker, job: WeeksJob): Promise<string> {
  const { page } = worker;
  const id = await inHand(page);
  if (stageOf(page) === "find" && !(await isDecided(page)) && (id === null || id === "ask"))
    return find(worker, job);
  if (id === "cap") {
    await worker.to(CAP_IS_COOL);
    await page.waitForFunction(() => document.querySelector('[data-in-hand="cap"]') === null);
    await allSent(page);
    return id;
  }
  if (await page.$("a[data-next]")) {
    const from = new URL(page.url()).pathname;
    await worker.next();
    await page.waitForFunction((was) => location.pathname !== was, {}, from);
    await settled(page);
    return `to ${stageOf(page)}`;
  }
  if (id === null) {
    await aNight(worker.application, page);
    return "a night";
  }
  const field = { css: "[data-in-hand] input.figure" };
  const isEmpty = await page.evaluate(
    (css) => document.querySelector<HTMLInputElement>(css)?.value.trim() === "",
    field.css,
  );
  if (isEmpty) await worker.type(field, "0.3");
  if (await page.$("[data-next]:not(a)")) {
    const label = await page.$eval("[data-next]", (each) => each.textContent ?? "");
    if (label === "Choose one") await worker.to({ css: "[data-in-hand] [data-choice]" });
    else await worker.next();
  }
  await page
    .waitForFunction(
      (was) => document.querySelector("[data-in-hand]")?.getAttribute("data-in-hand") !== was,
      {},
      id,
    )
    .catch(() => {
      throw new Error(`“${id}” stays in hand`);
    });
  await allSent(page);
  return id;
}

/** Opens the job on its vehicle, does what is in hand until nothing is but to sign, and signs. */
export async function followInHand(
  application: Application,
  page: Page,
  job: WeeksJob,
  hand: Hand,
): Promise<Counted> {
  const worker = new Worker(application, page, hand);
  const { counted } = worker;
  await application.go(page, `/vehicles/${demoId(`vehicle:${job.vehicle}`)}`);
  await worker.to({ css: "main button", text: "Open a job" });
  await page.waitForFunction(() => location.pathname.endsWith("/ask"));
  await settled(page);
  await ask(worker, job);
  for (let turn = 0; turn < MOST_TURNS; turn++) {
    const id = await inHand(page);
    if (stageOf(page) === "sign" && (id === null || id === "sign")) break;
    counted.done.push(
      await once(worker, job).catch((error) => {
        throw new Error(`${error.message}, after ${counted.done.slice(-8).join(", ")}`);
      }),
    );
    // A page that is read anew starts from nowhere.
    if (counted.done.at(-1) !== "a night")
      await worker.isSomewhere().catch((error) => {
        throw new Error(`${error.message}, after ${counted.done.slice(-8).join(", ")}`);
      });
  }
  if (stageOf(page) !== "sign") throw new Error(`never came to Sign: ${counted.done.slice(-8).join(", ")}`);
  const reason = "#work textarea";
  if (await page.$(reason)) await worker.type({ css: reason }, "the owner has to go and comes back tomorrow");
  await worker.to({ css: "main button", text: "Sign the job" });
  await worker.use({ css: '[role="alertdialog"] button', text: "Yes, sign" });
  await seen(page, "Signed and locked");
  counted.acts = counted.done.filter((each) => !/^to |^a night$/.test(each)).length;
  return counted;
}
