import type { Stage } from "../../book/entry/index.ts";
import { type Spread, spreadOf } from "../../trade/schedule/index.ts";
import type { Worked } from "./worked-on.ts";

/** One signed job with what its work took, and whether it was ready when its owner was told. */
export interface WorkedJob {
  jobId: string;
  number: number;
  model: string;
  worked: readonly Worked[];
  /** When its owner was told that it is ready, and when it was signed, ISO 8601. */
  told?: { at: string; signedAt: string };
}

/** The work of one stage over many jobs: each one's real minutes over its estimate, and what they come to. */
export interface StageWorked {
  stage: Stage;
  ratios: readonly number[];
  /** Absent where there are too few to say. */
  spread?: Spread;
  models: readonly { model: string; count: number; spread?: Spread }[];
}

const MINUTE_MS = 60_000;

function groupedBy<Each>(all: readonly Each[], keyOf: (each: Each) => string): Map<string, Each[]> {
  const groups = new Map<string, Each[]>();
  for (const each of all) groups.set(keyOf(each), [...(groups.get(keyOf(each)) ?? []), each]);
  return groups;
}

/** What the work of a shop took beside its estimates, by stage and in it by model, the commonest first. */
export function summedUp(jobs: readonly WorkedJob[]): StageWorked[] {
  const all = jobs.flatMap(({ model, worked }) =>
    worked.map(({ stage, real, estimated }) => ({ model, stage, ratio: real / estimated })),
  );
  return [...groupedBy(all, ({ stage }) => stage)].map(([stage, of]) => {
    const ratios = of.map(({ ratio }) => ratio).sort((a, b) => a - b);
    const spread = spreadOf(ratios);
    const models = [...groupedBy(of, ({ model }) => model)]
      .map(([model, own]) => {
        const theirs = spreadOf(own.map(({ ratio }) => ratio));
        return { model, count: own.length, ...(theirs && { spread: theirs }) };
      })
      .sort((a, b) => b.count - a.count);
    return { stage: stage as Stage, ratios, ...(spread && { spread }), models };
  });
}

/** How many cars were signed by when their owners were told, and by how much the others were late, minutes. */
export function readyAsTold(jobs: readonly WorkedJob[]): {
  told: number;
  inTime: number;
  lateMinutes: number;
} {
  const late = jobs.flatMap(({ told }) =>
    told ? [Math.max(0, (Date.parse(told.signedAt) - Date.parse(told.at)) / MINUTE_MS)] : [],
  );
  const after = late.filter((minutes) => minutes > 0);
  return {
    told: late.length,
    inTime: late.length - after.length,
    lateMinutes: after.length > 0 ? Math.round(after.reduce((sum, each) => sum + each, 0) / after.length) : 0,
  };
}
