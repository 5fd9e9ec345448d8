import { type ListTrouble, MOST_COLUMNS, plainHead, readList } from "../../kernel/csv/index.ts";
import { checkPlain } from "../../kernel/plain/index.ts";
import { SHELF_COLUMNS, type ShelfColumn, type ShelfKind, ShelfRow } from "./shelf-row.ts";

/** Something that can be bought: a part by grade and supplier, a coolant by product and the kind of its inhibitors. */
export interface ShelfItem {
  kind: ShelfKind;
  item: string;
  grade: string;
  /** The makers' approvals that a coolant's can names, apart by commas; empty of a part. */
  approval: string;
  supplier: string;
  priceCents: number;
  freightCents: number;
  /** Until it is here. */
  days: number;
  /** Guarantee on the part and on the work, days. */
  partDays: number;
  labourDays: number;
}

/** Two rows of one key are the same thing to buy. */
export const shelfKey = ({
  kind,
  item,
  grade,
  supplier,
}: Pick<ShelfItem, "kind" | "item" | "grade" | "supplier">) =>
  [kind, item, grade, supplier].map((part) => part.trim().toLowerCase()).join("|");

/** How else people head the columns of a parts list. */
const OTHER_HEADS: Record<string, ShelfColumn> = {
  part: "item",
  approvals: "approval",
  product: "item",
  name: "item",
  "inhibitor kind": "grade",
  "lead days": "days",
  "lead time": "days",
  postage: "freight",
  "part guarantee": "part_guarantee_days",
  "labour guarantee": "labour_guarantee_days",
  "labor guarantee": "labour_guarantee_days",
};

/** The column that a head of a list means; nothing where it means none of ours. */
export function columnOf(head: string): ShelfColumn | undefined {
  const plain = plainHead(head);
  return (
    SHELF_COLUMNS.find((each) => each.replaceAll("_", " ") === plain) ??
    (Object.hasOwn(OTHER_HEADS, plain) ? OTHER_HEADS[plain] : undefined)
  );
}

/**
 * One row of typed cells as something that can be bought, or what is wrong with it by column. Money is in the shop's
 * currency, of which `digits` decimals are minor units.
 */
export function readShelfRow(
  cells: Partial<Record<ShelfColumn, string>>,
  digits: number,
): { row: ShelfItem } | { troubles: Partial<Record<ShelfColumn, string>> } {
  const { value: read, fields } = checkPlain(ShelfRow, cells);
  // What is said of a whole row, a sign that can't be written down, is said beside its first column.
  if (!read) return { troubles: "form" in fields ? { item: fields.form } : fields };
  const minor = (value: number) => Math.round(value * 10 ** digits);
  if (minor(read.price) === 0) return { troubles: { price: "That is less than the smallest coin." } };
  const { kind, item, grade, approval, supplier, days } = read;
  return {
    row: {
      kind,
      item,
      grade,
      approval,
      supplier,
      priceCents: minor(read.price),
      freightCents: minor(read.freight),
      days,
      partDays: Math.round(read.part_guarantee_days),
      labourDays: Math.round(read.labour_guarantee_days),
    },
  };
}

const MAY_BE_UNSAID = [
  ["freight", "freightCents"],
  ["part_guarantee_days", "partDays"],
  ["labour_guarantee_days", "labourDays"],
  ["approval", "approval"],
] as const;
const MOST_ROWS = 5000;

/**
 * A whole list, as it was cut into rows: all of it, or every row that is wrong and why, and then nothing of it. The
 * first row is the head; columns of other names are left out and named. `unsaid` is what no column tells of: what is on the
 * shelf already keeps its own.
 */
export function readShelfList(
  rows: readonly (readonly string[])[],
  digits: number,
): { items: ShelfItem[]; leftOut: string[]; unsaid: (keyof ShelfItem)[] } | { troubles: ListTrouble[] } {
  const columns = (rows[0] ?? []).slice(0, MOST_COLUMNS + 1).map(columnOf);
  const read = readList(rows, {
    columns,
    needed: ["item", "grade", "supplier", "price", "days"],
    mostRows: MOST_ROWS,
    read: (cells) => readShelfRow(cells, digits),
    keyOf: shelfKey,
  });
  if ("troubles" in read) return read;
  const unsaid = MAY_BE_UNSAID.flatMap(([column, field]) => (columns.includes(column) ? [] : [field]));
  return { items: read.rows.map(({ row }) => row), leftOut: read.leftOut, unsaid };
}
