import { BaseSequencer } from "vitest/node";

/** As many files are walked at once: a walk waits for buttons that rest and pages that load, and five keep two cores at nine tenths. */
export const WALKERS = 5;

/** The longest as they were measured come first, so that none of them is left to be walked alone at the end. */
const LONGEST = [
  "hostile",
  "in-hand",
  "find",
  "book",
  "hand-over",
  "nothing-lost",
  "three-walks",
  "plan",
  "day",
];

export class LongestFirst extends BaseSequencer {
  override async sort(files: Parameters<BaseSequencer["sort"]>[0]) {
    const place = ({ moduleId }: { moduleId: string }) => {
      const at = LONGEST.findIndex((name) => moduleId.endsWith(`/e2e/${name}.test.ts`));
      return at < 0 ? LONGEST.length : at;
    };
    return (await super.sort(files)).sort((one, other) => place(one) - place(other));
  }
}
