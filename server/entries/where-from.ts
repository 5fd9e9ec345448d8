import type { WhereFrom } from "../../core/report/index.ts";
import type { Job, JobOrigin } from "../database/models/job.ts";

/** Where a job that was read in came from; null for one of this shop's own. */
export function whereFrom(
  { origin, linesReadIn }: Pick<Job, "origin" | "linesReadIn">,
  nameOf: (id: string) => string | null,
): WhereFrom | null {
  if (!origin) return null;
  const { shop, number, exportedAt, readInAt, readInBy } = origin;
  const by = readInBy && nameOf(readInBy);
  return {
    ...{ shop, number, exportedAt, lines: linesReadIn ?? 0 },
    ...(readInAt && { readInAt }),
    ...(by && { readInBy: by }),
  };
}

/** As much of it as a list says. */
export const shortFrom = (origin: JobOrigin | null): Pick<WhereFrom, "shop" | "number" | "readInAt"> | null =>
  origin && {
    ...{ shop: origin.shop, number: origin.number },
    ...(origin.readInAt && { readInAt: origin.readInAt }),
  };
