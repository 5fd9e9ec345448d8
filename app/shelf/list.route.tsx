import Papa from "papaparse";
import { data } from "react-router";
import { readShelfList, SHELF_COLUMNS } from "../../core/shelf/index.ts";
import { decodeLog } from "../../core/trace/index.ts";
import { Refusal } from "../../server/refusal.ts";
import { putOnShelf } from "../../server/shelf/put-on-shelf.ts";
import { readShelf } from "../../server/shelf/read-shelf.ts";
import { guarded } from "../shell/guard.server.ts";
import { keptPosting } from "../shell/kept/posting.ts";
import { readForm } from "../shell/read-body.server.ts";
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

const MOST_BYTES = 2_000_000;

/** A whole list onto the shelf; where a row is wrong nothing of it, and each such row is named with why. */
export const action = guarded("technician", async ({ request, desk, member }) => {
  const file = (await readForm(request)).get("list");
  if (!(file instanceof File)) throw new Refusal({ message: "No list came with it." });
  const text = file.size > MOST_BYTES ? "\0" : decodeLog(new Uint8Array(await file.arrayBuffer()));
  if (text.includes("\0"))
    throw new Refusal({ message: "That is no list of parts: a CSV of at most 2 MB is taken." });
  const { data: rows } = Papa.parse<string[]>(text, { skipEmptyLines: false });
  const read = readShelfList(rows, minorDigits(member.currency));
  if ("troubles" in read) {
    const lines = new Set(read.troubles.map(({ line }) => line)).size;
    return data(
      {
        troubles: read.troubles,
        refused: {
          message: `Nothing was taken in: ${lines === 1 ? "one line is" : `${lines} lines are`} wrong.`,
          fields: {},
        },
      },
      { status: 422 },
    );
  }
  const done = await desk((given) => putOnShelf(given, read.items, read.unsaid));
  return data({ ...done, leftOut: read.leftOut });
});

export const clientAction = keptPosting();
