import { Application, TABLET } from "../../e2e/support/application.ts";
import { FIVE_JOBS, followInHand, type Hand } from "../../e2e/support/five-jobs.ts";
import { ensureBuild } from "../lib/build.mjs";
import type { Figure } from "./measure.ts";

/** Beside its acts a job has its complaint, a way from stage to stage, and its signature: so many taps more, by touch. */
const BESIDE = 12;
/** What the same jobs took by keys before the large button, its key and the focus went on together: half of it is wanted. */
const KEYS_BEFORE: Readonly<Record<string, number>> = {
  "fan fuse and motor": 132,
  "radiator leak to signed with its log": 175,
  "nothing wrong": 142,
  "slow loss": 93,
  comeback: 128,
};

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
        const before = KEYS_BEFORE[job.name] ?? 0;
        figures.push({
          name: `${job.name}, by ${hand}`,
          measured: taps,
          unit: hand === "touch" ? "taps" : "keys",
          wanted: hand === "touch" ? done.length + BESIDE : before / 2,
          from: `${acts} acts, ${letters} letters and figures typed${hand === "touch" ? "" : `, ${before} keys before`}`,
        });
        await page.browserContext().close();
      }
    } finally {
      await application.close();
    }
  }
  return figures;
}
