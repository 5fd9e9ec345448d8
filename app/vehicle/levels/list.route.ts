import Papa from "papaparse";
import { readLevels } from "../../../server/levels/read-levels.ts";
import { notFound } from "../../../server/refusal.ts";
import { isId } from "../../../server/vehicles/is-id.ts";
import { guarded } from "../../shell/guard.server.ts";
import { asText } from "../../ui/csv.ts";

/** The levels of a vehicle as a list for a spreadsheet, in litres and kilometres. */
export const loader = guarded("desk", async ({ params, desk }) => {
  const { vehicleId = "" } = params;
  const of = isId(vehicleId)
    ? (await desk((given) => readLevels(given, [vehicleId]))).get(vehicleId)
    : undefined;
  if (!of) throw notFound("That vehicle");
  const text = Papa.unparse({
    fields: ["at", "missing_L", "topped_up_L", "distance_km", "engine", "taken_by", "told", "struck"],
    data: of.levels.map((level) => [
      level.at,
      level.missingL,
      level.toppedUpL ?? 0,
      level.distanceKm ?? "",
      level.heat,
      asText(level.by),
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
