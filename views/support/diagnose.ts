import type { CircuitKind } from "../../core/trade/diagnosis/knowledge/index.ts";
import { likeliestOutcome } from "../../e2e/support/likeliest.ts";
import { passes } from "./clock.ts";
import type { ViewPage } from "./page.ts";
import { allSent, bookedLines, pressNext } from "./walk.ts";

const KEYS = ["a", "s", "d", "f", "q", "w"];
const MOST_TESTS = 25;

/** Which test is shown, nothing where a verdict is, once what came up takes a tap. */
export async function shownTest(page: ViewPage): Promise<string | null> {
  await page.waitForSelector("#next-test:not([data-rests]), #verdict:not([data-rests])");
  return page.evaluate(
    () => document.querySelector("[data-next-test]")?.getAttribute("data-next-test") ?? null,
  );
}

/** An answer by its key, which acts while focus is in the test card: n goes there where it isn't. */
export async function answerByKey(page: ViewPage, key: "a" | "s" | "x" | "z"): Promise<void> {
  const isThere = () =>
    page.evaluate(() => document.activeElement?.closest('[aria-labelledby="next-test"]') !== null);
  // What has just come up takes no key yet: whoever sees that nothing moved presses again.
  for (let tries = 0; tries < 3 && !(await isThere()); tries++) {
    await pressNext(page);
    await passes(300);
  }
  await page.waitForFunction(() => document.activeElement?.closest('[aria-labelledby="next-test"]'));
  await page.keyboard.press(key);
}

/** By the keyboard, by touch, or by one and the other in turn. */
export type Hand = "keyboard" | "touch" | "both";

/** Does what the page says, test after test, as a car with this fault would answer, until it offers a verdict. */
export async function workToVerdict(
  page: ViewPage,
  kind: CircuitKind,
  truth: string,
  hand: Hand,
): Promise<string[]> {
  const done: string[] = [];
  for (let step = 0; step < MOST_TESTS; step++) {
    const test = await shownTest(page);
    if (!test) return done;
    const index = likeliestOutcome(kind, test, truth);
    const how = hand === "both" ? (step % 2 === 0 ? "touch" : "keyboard") : hand;
    const before = how === "keyboard" ? await bookedLines(page) : 0;
    if (how === "keyboard") {
      const isThere = await page.evaluate(
        () => document.activeElement?.closest('[aria-labelledby="next-test"]') !== null,
      );
      if (!isThere) await pressNext(page);
      await page.keyboard.press(KEYS[index] as "a");
    } else {
      const buttons = await page.$$('section[aria-labelledby="next-test"] .grid button');
      await buttons[index]?.tap();
    }
    await page.waitForFunction(
      (last) => document.querySelector("[data-next-test]")?.getAttribute("data-next-test") !== last,
      {},
      test,
    );
    if (how === "keyboard")
      await page.waitForFunction(
        (count) => document.querySelectorAll("aside [data-line]").length > count,
        {},
        before,
      );
    await allSent(page);
    done.push(test);
  }
  throw new Error(`${MOST_TESTS} tests and no verdict: ${done.join(", ")}`);
}
