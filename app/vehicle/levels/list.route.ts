import Papa from "papaparse";
import { data } from "react-router";
import { LEVEL_COLUMNS, readLevelList } from "../../../core/trade/leaks/index.ts";
import { isId } from "../../../server/desk/is-id.ts";
import { notFound } from "../../../server/desk/refusal.ts";
import { readLevels } from "../../../server/subjects/levels/read-levels.ts";
import { MOST_LEVELS } from "../../../server/subjects/levels/take-level.ts";
import { takeLevelList } from "../../../server/subjects/levels/take-list.ts";
import { guarded } from "../../desk/guard.server.ts";
import { listHandedIn, listRefused } from "../../desk/list-handed-in.server.ts";
import { keptPosting } from "../../kept/posting.ts";
import { asText } from "../../ui/csv.ts";

/** The levels of a vehicle as a list for a spreadsheet, in litres and kilometres. */
export const loader = guarded("desk", async ({ params, desk }) => {
  const { vehicleId = "" } = params;
  const of = isId(vehicleId)
    ? (await desk((given) => readLevels(given, [vehicleId], MOST_LEVELS))).get(vehicleId)
    : undefined;
  if (!of) throw notFound("That vehicle");
  const text = Papa.unparse({
    fields: [...LEVEL_COLUMNS],
    data: of.levels.map((level) => [
      level.at,
      level.missingL,
      level.toppedUpL ?? 0,
      level.distanceKm === undefined ? "" : Number(level.distanceKm.toFixed(1)),
      level.heat,
      asText(level.listedBy ?? level.by),
      asText(level.told ?? ""),
      level.isStruck ? "yes" : "",
    ]),
  });
  return new Response(`${text}\n`, {
    headers: {
      "Content-Type": "text/csv; charset=utf-8",
      "Content-Disposition": 'attachment; filename="levels.csv"',
    },
  });
});

/** A whole list of levels of this vehicle; where a row is wrong nothing of it, and each such row is named with why. */
export const action = guarded("technician", async ({ request, params, desk, member }) => {
  const { vehicleId = "" } = params;
  const { units, timeZone } = member;
  const rows = await listHandedIn(request, "levels");
  return desk(async (given) => {
    const read = readLevelList(rows, { system: units, timeZone, now: given.now });
    if ("troubles" in read) return listRefused(read.troubles);
    const done = await takeLevelList(given, vehicleId, read.levels, units);
    if ("troubles" in done) return listRefused(done.troubles);
    return data({ ...done, struck: read.struck, leftOut: read.leftOut });
  });
});

export const clientAction = keptPosting();
