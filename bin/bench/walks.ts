import { Application, TABLET } from "../../e2e/support/application.ts";
import { FIVE_JOBS, followInHand, type Hand } from "../../e2e/support/five-jobs.ts";
import { ensureBuild } from "../lib/build.mjs";
import type { Figure } from "./measure.ts";

/** Beside its acts a job has its complaint, a way from stage to stage, and its signature: so many taps more, by touch. */
const BESIDE = 12;
/** By keys a control is gone to with Tab where it has no key of its own. */
const KEYS_PER_TAP = 8;

/** The five jobs that a shop has every week, by somebody who follows what is in hand: what hands have to do, by touch and by keys. */
export async function benchWalks(): Promise<Figure[]> {
  await ensureBuild();
  const figures: Figure[] = [];
  for (const hand of ["touch", "keyboard"] satisfies Hand[]) {
    const application = await Application.open();
    try {
      for (const job of FIVE_JOBS) {
        const page = await application.signedIn("tobin", TABLET);
        // What compiles this on the fly names inner functions by a helper that no page has.
        await page.evaluateOnNewDocument("globalThis.__name = (each) => each");
        const { acts, taps, letters, done } = await followInHand(application, page, job, hand);
        const most = done.length + BESIDE;
        figures.push({
          name: `${job.name}, by ${hand}`,
          measured: taps,
          unit: hand === "touch" ? "taps" : "keys",
          wanted: hand === "touch" ? most : most * KEYS_PER_TAP,
          from: `${acts} acts, ${letters} letters and figures typed`,
        });
        await page.browserContext().close();
      }
    } finally {
      await application.close();
    }
  }
  return figures;
}
