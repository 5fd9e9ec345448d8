import type { ColumnDef, Row } from "@tanstack/react-table";
import type { OnShelf } from "../../server/subjects/shelf/read-shelf.ts";
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

/** The columns of the shelf; `meta` says which are figures. Money in the shop's currency. */
export function shelfColumns(currency: string): ColumnDef<OnShelf>[] {
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
}

/** Whether a row has every word that is looked for, in whatever column. */
export function hasEveryWord({ original }: Row<OnShelf>, _: string, wanted: string): boolean {
  const { item, kind, grade, approval, supplier } = original;
  const said = [item, kind, grade, approval, supplier].join(" ").toLowerCase();
  return wanted
    .toLowerCase()
    .split(/\s+/)
    .every((word) => said.includes(word));
}
