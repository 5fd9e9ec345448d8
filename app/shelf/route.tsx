import { useLoaderData } from "react-router";
import { readShelfRow, SHELF_COLUMNS, type ShelfColumn } from "../../core/trade/shelf/index.ts";
import { isId } from "../../server/desk/is-id.ts";
import { Refusal } from "../../server/desk/refusal.ts";
import { putOnShelf, takeOffShelf } from "../../server/subjects/shelf/put-on-shelf.ts";
import { readShelf } from "../../server/subjects/shelf/read-shelf.ts";
import { guarded } from "../desk/guard.server.ts";
import { useMember } from "../desk/member.ts";
import { readForm } from "../desk/read-body.server.ts";
import { keptPosting } from "../kept/posting.ts";
import { keptReading } from "../kept/reading.ts";
import { minorDigits } from "../ui/money.ts";
import { AddToShelf } from "./AddToShelf.tsx";
import { Lives } from "./Lives.tsx";
import { ShelfTable } from "./ShelfTable.tsx";

export const meta = () => [{ title: "Shelf · Warm Ledger" }];

export const loader = guarded("desk", ({ look }) => look(readShelf));

/** One thing put on the shelf, or taken off it by its id. */
export const action = guarded("technician", async ({ request, desk, member }) => {
  const form = await readForm(request);
  const off = form.get("off");
  if (typeof off === "string") {
    if (!isId(off)) throw new Refusal({ message: "Load the page again." });
    await desk((given) => takeOffShelf(given, off));
    return { isDone: true };
  }
  const cells: Partial<Record<ShelfColumn, string>> = {};
  for (const column of SHELF_COLUMNS) {
    const cell = form.get(column);
    if (typeof cell === "string") cells[column] = cell.slice(0, 200);
  }
  const read = readShelfRow(cells, minorDigits(member.currency));
  if ("troubles" in read) throw new Refusal({ message: "", fields: { ...read.troubles } });
  await desk((given) => putOnShelf(given, [read.row]));
  return { isDone: true };
});

export const clientLoader = keptReading<Awaited<ReturnType<typeof loader>>>("shelf/route");

export const clientAction = keptPosting();

export default function Shelf() {
  const { rows, spans } = useLoaderData<typeof loader>();
  const { role } = useMember();
  return (
    <main id="work" className="p-5 lg:p-7">
      <h1 className="text-3xl">Shelf</h1>
      <p className="mb-5 text-ink-2">
        What the shop can buy, and how each has really done here: fitted, sent back, gone again.
      </p>
      <ShelfTable rows={rows} mayChange={role !== "desk"} />
      <Lives spans={spans} />
      {role !== "desk" && <AddToShelf />}
    </main>
  );
}
