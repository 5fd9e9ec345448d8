import Papa from "papaparse";
import { data } from "react-router";
import { readShelfList, SHELF_COLUMNS } from "../../core/trade/shelf/index.ts";
import { putOnShelf } from "../../server/subjects/shelf/put-on-shelf.ts";
import { readShelf } from "../../server/subjects/shelf/read-shelf.ts";
import { guarded } from "../desk/guard.server.ts";
import { listHandedIn, listRefused } from "../desk/list-handed-in.server.ts";
import { keptPosting } from "../kept/posting.ts";
import { asText } from "../ui/csv.ts";
import { minorDigits } from "../ui/money.ts";

/** The shelf as a list for a spreadsheet. */
export const loader = guarded("desk", async ({ desk, member }) => {
  const { rows } = await desk(readShelf);
  const digits = minorDigits(member.currency);
  const money = (minor: number) => (minor / 10 ** digits).toFixed(digits);
  const text = Papa.unparse({
    fields: [...SHELF_COLUMNS],
    data: rows.map((row) => [
      row.kind,
      asText(row.item),
      row.grade,
      asText(row.supplier),
      money(row.priceCents),
      money(row.freightCents),
      row.days,
      row.partDays,
      row.labourDays,
      asText(row.approval),
    ]),
  });
  return new Response(`${text}\n`, {
    headers: {
      "Content-Type": "text/csv; charset=utf-8",
      "Content-Disposition": 'attachment; filename="shelf.csv"',
    },
  });
});

/** A whole list onto the shelf; where a row is wrong nothing of it, and each such row is named with why. */
export const action = guarded("technician", async ({ request, desk, member }) => {
  const read = readShelfList(await listHandedIn(request, "parts"), minorDigits(member.currency));
  if ("troubles" in read) return listRefused(read.troubles);
  const done = await desk((given) => putOnShelf(given, read.items, read.unsaid));
  return data({ ...done, leftOut: read.leftOut });
});

export const clientAction = keptPosting();
