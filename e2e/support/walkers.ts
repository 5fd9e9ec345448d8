import { BaseSequencer } from "vitest/node";

/**
 * As many files are walked at once. Five fill the last quarter of two cores and take 560 s instead of 700; on a machine that is
 * loaded besides, a server that five wait for answers later than a page is patient, and a test that should stay green doesn't.
 */
export const WALKERS = 3;

/** The longest as they were measured come first, so that none of them is left to be walked alone at the end. */
const LONGEST = ["sweep", "in-hand", "slips", "nothing-lost", "no-server", "day"];

export class LongestFirst extends BaseSequencer {
  override async sort(files: Parameters<BaseSequencer["sort"]>[0]) {
    const place = ({ moduleId }: { moduleId: string }) => {
      const at = LONGEST.findIndex((name) => moduleId.endsWith(`/e2e/${name}.test.ts`));
      return at < 0 ? LONGEST.length : at;
    };
    return (await super.sort(files)).sort((one, other) => place(one) - place(other));
  }
}
