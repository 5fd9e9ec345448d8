import type { Page } from "puppeteer-core";
import { jobId } from "../../demo/seed.ts";
import { Application } from "../../e2e/support/application.ts";
import { shownTest } from "../../e2e/support/diagnose.ts";
import { allSent } from "../../e2e/support/walk.ts";
import { ensureBuild } from "../lib/build.mjs";
import { type Figure, median } from "./measure.ts";
import { forget, SLOWER, seenBy, watch } from "./watch.ts";

const TAPS = 12;
/** The browser tells of tasks from 50 ms on. */
const LONG_MS = 50;

/** Taps “Not sure”, which asks for the next test and never ends; how long until its card is there, ms. */
async function answer(page: Page): Promise<number | undefined> {
  const test = await shownTest(page);
  if (!test) return undefined;
  return page.evaluate(
    (id) =>
      new Promise<number>((tell) => {
        const from = performance.now();
        new MutationObserver((_, self) => {
          if (document.querySelector("[data-next-test]")?.getAttribute("data-next-test") === id) return;
          self.disconnect();
          tell(performance.now() - from);
        }).observe(document.body, { subtree: true, childList: true, attributes: true });
        const buttons = [
          ...document.querySelectorAll<HTMLButtonElement>('section[aria-labelledby="next-test"] button'),
        ];
        buttons.find((button) => button.textContent?.startsWith("Not sure"))?.click();
      }),
    test,
  );
}

/** Find on a tablet four times slower: what moves as it loads, and what blocks it when an outcome is tapped. */
export async function benchFindTap(): Promise<Figure[]> {
  await ensureBuild();
  const application = await Application.open();
  try {
    const page = await application.signedIn("tobin");
    await watch(page);
    await page.emulateCPUThrottling(SLOWER);
    await application.go(page, `/jobs/${jobId("open-find")}/find`);
    await shownTest(page);
    const { shift } = await seenBy(page);
    const waits: number[] = [];
    const blocks: number[] = [];
    for (let tap = 0; tap < TAPS; tap++) {
      await forget(page);
      const ms = await answer(page);
      if (ms === undefined) break;
      await allSent(page);
      waits.push(ms);
      blocks.push(Math.max(0, ...(await seenBy(page)).long));
    }
    return [
      { name: "Find as it loads: layout shift", measured: shift, unit: "", wanted: 0.01 },
      {
        name: `longest block after a tap on an outcome, ${SLOWER}× slower, median of ${blocks.length}`,
        measured: median(blocks),
        unit: "ms",
        wanted: LONG_MS,
        from: blocks.map((ms) => ms.toFixed(0)).join(", "),
      },
      {
        name: `next test in view after a tap, ${SLOWER}× slower, median of ${waits.length}`,
        measured: median(waits),
        unit: "ms",
        wanted: 400,
        from: waits.map((ms) => ms.toFixed(0)).join(", "),
      },
    ];
  } finally {
    await application.close();
  }
}
