import {
  flexRender,
  getCoreRowModel,
  getFilteredRowModel,
  getSortedRowModel,
  type Header,
  type Row,
  type SortingState,
  useReactTable,
} from "@tanstack/react-table";
import { ArrowDown, ArrowUp, ArrowUpDown } from "lucide-react";
import { type ReactNode, useMemo, useState } from "react";
import { useFetcher } from "react-router";
import type { OnShelf } from "../../server/subjects/shelf/read-shelf.ts";
import { useMember } from "../desk/member.ts";
import { Button } from "../ui/Button.tsx";
import { TextField } from "../ui/Field.tsx";
import { hasEveryWord, shelfColumns } from "./shelf-columns.tsx";

/** A column's head: tapped, it puts the rows in its order. */
function Head({ column, getContext }: Header<OnShelf, unknown>) {
  const order = column.getIsSorted();
  const Mark = order === "asc" ? ArrowUp : order === "desc" ? ArrowDown : ArrowUpDown;
  return (
    <th
      scope="col"
      aria-sort={order === "asc" ? "ascending" : order === "desc" ? "descending" : "none"}
      className="pr-4 text-left"
    >
      <button
        type="button"
        className="inline-flex min-h-12 items-center gap-1 font-bold"
        onClick={column.getToggleSortingHandler()}
      >
        {flexRender(column.columnDef.header, getContext())}
        <Mark size={16} aria-hidden="true" />
      </button>
    </th>
  );
}

/** One thing to buy; its name heads the row, what can be done with it ends it. */
function ShelfRow({ row, children }: { row: Row<OnShelf>; children: ReactNode }) {
  return (
    <tr className="border-rule border-b">
      {row.getVisibleCells().map(({ id, column, getContext }, index) =>
        index === 0 ? (
          <th key={id} scope="row" className="py-2 pr-4 text-left">
            {flexRender(column.columnDef.cell, getContext())}
          </th>
        ) : (
          <td
            key={id}
            className={`py-2 pr-4 ${column.columnDef.meta === "figure" ? "figure whitespace-nowrap" : ""}`}
          >
            {flexRender(column.columnDef.cell, getContext())}
          </td>
        ),
      )}
      {children}
    </tr>
  );
}

function TakeOff({ id, item, grade, supplier }: OnShelf) {
  const fetcher = useFetcher();
  return (
    <td>
      <Button
        weight="quiet"
        className="whitespace-nowrap px-2"
        aria-label={`Take off: ${item}, ${grade}, ${supplier}`}
        disabled={fetcher.state !== "idle"}
        onClick={() => void fetcher.submit({ off: id }, { method: "post", action: "/shelf" })}
      >
        Take off
      </Button>
    </td>
  );
}

/** What can be bought, sorted by any column and searched in all of them. */
export function ShelfTable({ rows, mayChange }: { rows: OnShelf[]; mayChange: boolean }) {
  const { currency } = useMember();
  const [sorting, setSorting] = useState<SortingState>([]);
  const [search, setSearch] = useState("");
  const columns = useMemo(() => shelfColumns(currency), [currency]);
  const table = useReactTable({
    data: rows,
    columns,
    sortDescFirst: false,
    state: { sorting, globalFilter: search },
    onSortingChange: setSorting,
    onGlobalFilterChange: setSearch,
    globalFilterFn: hasEveryWord,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
    getFilteredRowModel: getFilteredRowModel(),
  });
  const shown = table.getRowModel().rows;
  if (rows.length === 0)
    return (
      <p className="text-lg">
        Nothing is on the shelf yet. Put the first part on it below, or take in a list.
      </p>
    );
  return (
    <section aria-labelledby="on-shelf">
      <h2 id="on-shelf" className="sr-only">
        On the shelf
      </h2>
      <div className="mb-4 flex flex-wrap items-end gap-4">
        <div className="w-80 max-w-full">
          <TextField
            label="Find on the shelf"
            value={search}
            onChange={(event) => setSearch(event.target.value)}
          />
        </div>
        <p role="status" className="pb-3 text-ink-2">
          {shown.length} of {rows.length}
        </p>
      </div>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard */}
      <section tabIndex={0} aria-label="Shelf as a table" className="overflow-x-auto">
        <table className="w-full min-w-[60rem]">
          <thead>
            {table.getHeaderGroups().map((group) => (
              <tr key={group.id} className="border-ink border-b-2">
                {group.headers.map((head) => (
                  <Head key={head.id} {...head} />
                ))}
                {mayChange && <td />}
              </tr>
            ))}
          </thead>
          <tbody>
            {shown.map((row) => (
              <ShelfRow key={row.original.id} row={row}>
                {mayChange && <TakeOff {...row.original} />}
              </ShelfRow>
            ))}
          </tbody>
        </table>
      </section>
    </section>
  );
}
