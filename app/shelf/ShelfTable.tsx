import {
  type ColumnDef,
  flexRender,
  getCoreRowModel,
  getFilteredRowModel,
  getSortedRowModel,
  type SortingState,
  useReactTable,
} from "@tanstack/react-table";
import { ArrowDown, ArrowUp, ArrowUpDown } from "lucide-react";
import { useMemo, useState } from "react";
import { useFetcher } from "react-router";
import type { OnShelf } from "../../server/subjects/shelf/read-shelf.ts";
import { useMember } from "../desk/member.ts";
import { Button } from "../ui/Button.tsx";
import { TextField } from "../ui/Field.tsx";
import { moneyOf } from "../ui/money.ts";

const days = (count: number) =>
  count === 0 ? "none" : count % 365 === 0 ? `${count / 365} y` : `${count} d`;

function doneWords({ doings }: OnShelf): string {
  if (!doings) return "never fitted here";
  const { fitted, returned, failed, lastedDays, inUse, extraMinutes } = doings;
  return [
    `${fitted} fitted`,
    returned > 0 ? `${returned} sent back` : "",
    failed > 0 ? `${failed} gone again${lastedDays === undefined ? "" : `, after ${lastedDays} d`}` : "",
    inUse > 0 ? `${inUse} still in` : "",
    extraMinutes > 0 ? `${extraMinutes} min more to fit` : "",
  ]
    .filter(Boolean)
    .join("; ");
}

/** What can be bought, sorted by any column and searched in all of them. */
export function ShelfTable({ rows, mayChange }: { rows: OnShelf[]; mayChange: boolean }) {
  const { currency } = useMember();
  const fetcher = useFetcher();
  const [sorting, setSorting] = useState<SortingState>([]);
  const [search, setSearch] = useState("");
  const columns = useMemo((): ColumnDef<OnShelf>[] => {
    const money = (minor: number) => (minor === 0 ? "none" : moneyOf(minor, currency));
    return [
      { header: "What", accessorFn: ({ item, kind }) => (kind === "coolant" ? `${item}, coolant` : item) },
      {
        header: "Grade",
        accessorFn: ({ grade, approval }) => (approval ? `${grade}, ${approval}` : grade),
      },
      { header: "Supplier", accessorKey: "supplier" },
      {
        header: "Price",
        accessorKey: "priceCents",
        cell: ({ row }) => money(row.original.priceCents),
        meta: "figure",
      },
      {
        header: "Freight",
        accessorKey: "freightCents",
        cell: ({ row }) => money(row.original.freightCents),
        meta: "figure",
      },
      { header: "Days", accessorKey: "days", meta: "figure" },
      {
        header: "Part held",
        accessorKey: "partDays",
        cell: ({ row }) => days(row.original.partDays),
        meta: "figure",
      },
      {
        header: "Work held",
        accessorKey: "labourDays",
        cell: ({ row }) => days(row.original.labourDays),
        meta: "figure",
      },
      {
        header: "Here",
        id: "here",
        accessorFn: (row) => row.doings?.fitted ?? 0,
        cell: ({ row }) => doneWords(row.original),
      },
    ];
  }, [currency]);
  const table = useReactTable({
    data: rows,
    columns,
    sortDescFirst: false,
    state: { sorting, globalFilter: search },
    onSortingChange: setSorting,
    onGlobalFilterChange: setSearch,
    globalFilterFn: (row, _, wanted: string) => {
      const { item, kind, grade, approval, supplier } = row.original;
      const said = [item, kind, grade, approval, supplier].join(" ").toLowerCase();
      return wanted
        .toLowerCase()
        .split(/\s+/)
        .every((word) => said.includes(word));
    },
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
                {group.headers.map(({ id, column, getContext }) => {
                  const order = column.getIsSorted();
                  const Mark = order === "asc" ? ArrowUp : order === "desc" ? ArrowDown : ArrowUpDown;
                  return (
                    <th
                      key={id}
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
                })}
                {mayChange && <td />}
              </tr>
            ))}
          </thead>
          <tbody>
            {shown.map((row) => (
              <tr key={row.original.id} className="border-rule border-b">
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
                {mayChange && (
                  <td>
                    <Button
                      weight="quiet"
                      className="whitespace-nowrap px-2"
                      aria-label={`Take off: ${row.original.item}, ${row.original.grade}, ${row.original.supplier}`}
                      disabled={fetcher.state !== "idle"}
                      onClick={() =>
                        void fetcher.submit({ off: row.original.id }, { method: "post", action: "/shelf" })
                      }
                    >
                      Take off
                    </Button>
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    </section>
  );
}
