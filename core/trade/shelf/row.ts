import { cellsOf, headsTrouble, type ListTrouble, MOST_COLUMNS, plainHead } from "../../kernel/csv/index.ts";
import { KINDS } from "../coolant/index.ts";
import { GRADES } from "../sourcing/index.ts";

export const SHELF_KINDS = ["part", "coolant"] as const;
export type ShelfKind = (typeof SHELF_KINDS)[number];
export const INHIBITORS = KINDS;

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

/** The columns of a parts list, in and out, and how else people head them. */
export const SHELF_COLUMNS = [
  "kind",
  "item",
  "grade",
  "supplier",
  "price",
  "freight",
  "days",
  "part_guarantee_days",
  "labour_guarantee_days",
  "approval",
] as const;
export type ShelfColumn = (typeof SHELF_COLUMNS)[number];
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

const MOST = 80;

/** Three figures behind a point are thousandths here and thousands there: neither is taken for the other. */
const THOUSANDS = /^\d{1,3}[.,]\d{3}$/;

function figureOf(text: string): number {
  const plain = text
    .trim()
    .replace(/[\s\u00a0\u202f]/g, "")
    .replace(/^[€$£]|[€$£]$/g, "")
    .replace(",", ".");
  if (THOUSANDS.test(plain)) return Number.NaN;
  return /^\d{1,9}(?:\.\d{1,4})?$/.test(plain) ? Number(plain) : Number.NaN;
}

/**
 * One row of typed cells as something that can be bought, or what is wrong with it by column. Money is in the shop's
 * currency, of which `digits` decimals are minor units; freight left empty is none, guarantees left empty are none.
 */
export function readShelfRow(
  cells: Partial<Record<ShelfColumn, string>>,
  digits: number,
): { row: ShelfItem } | { troubles: Partial<Record<ShelfColumn, string>> } {
  const troubles: Partial<Record<ShelfColumn, string>> = {};
  const text = (column: ShelfColumn) => (cells[column] ?? "").trim().replace(/\s+/g, " ");
  const said = (column: "item" | "supplier", what: string) => {
    const value = text(column);
    if (value.length < 1 || value.length > MOST) troubles[column] = `${what}, 1 to ${MOST} letters.`;
    return value;
  };
  const figure = (column: ShelfColumn, low: number, high: number, sentence: string, empty = Number.NaN) => {
    const value = text(column) === "" ? empty : figureOf(text(column));
    if (!(value >= low && value <= high)) troubles[column] = sentence;
    return value;
  };
  const kind = (text("kind").toLowerCase() || "part") as ShelfKind;
  if (!SHELF_KINDS.includes(kind)) troubles.kind = "A part or a coolant.";
  const grade = text("grade")
    .toLowerCase()
    .replace(/[’‘]/g, "'")
    .replace(/^makers?$/, "maker's")
    .replace(/^all metal$/, "all-metal");
  const grades: readonly string[] = kind === "coolant" ? INHIBITORS : GRADES;
  if (!grades.includes(grade)) troubles.grade = `One of: ${grades.join(", ")}.`;
  const item = said("item", "What it is");
  const supplier = said("supplier", "The supplier");
  const approval = text("approval");
  if (approval.length > MOST) troubles.approval = `At most ${MOST} letters.`;
  if (approval !== "" && kind !== "coolant") troubles.approval = "Only a coolant carries an approval.";
  const price = figure(
    "price",
    10 ** -digits,
    1_000_000,
    figureOf(text("price")) === 0 ? "A price of 0 is no price." : "A price above 0, such as 1149 or 1149.00.",
  );
  const freight = figure("freight", 0, 1_000_000, "Freight from 0.", 0);
  const days = figure("days", 0, 365, "Days from 0 to 365.");
  const partDays = figure("part_guarantee_days", 0, 3650, "Days of guarantee from 0 to 3650.", 0);
  const labourDays = figure("labour_guarantee_days", 0, 3650, "Days of guarantee from 0 to 3650.", 0);
  if (Object.keys(troubles).length > 0) return { troubles };
  const minor = (value: number) => Math.round(value * 10 ** digits);
  return {
    row: {
      kind,
      item,
      grade,
      approval,
      supplier,
      priceCents: minor(price),
      freightCents: minor(freight),
      days,
      partDays: Math.round(partDays),
      labourDays: Math.round(labourDays),
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
const MOST_TOLD = 200;

/**
 * A whole list, as it was cut into rows: all of it, or every row that is wrong and why, and then nothing of it. The
 * first row is the head; columns of other names are left out and named. `unsaid` is what no column tells of: what is on the
 * shelf already keeps its own.
 */
export function readShelfList(
  rows: readonly (readonly string[])[],
  digits: number,
): { items: ShelfItem[]; leftOut: string[]; unsaid: (keyof ShelfItem)[] } | { troubles: ListTrouble[] } {
  const [head = [], ...body] = rows;
  if (body.length > MOST_ROWS)
    return {
      troubles: [{ line: 1, words: `The list has ${body.length} rows; at most ${MOST_ROWS} are taken.` }],
    };
  const columns = head.slice(0, MOST_COLUMNS + 1).map(columnOf);
  const trouble = headsTrouble(columns, ["item", "grade", "supplier", "price", "days"]);
  if (trouble) return { troubles: [{ line: 1, words: trouble }] };
  const items: ShelfItem[] = [];
  const troubles: ListTrouble[] = [];
  const known = new Map<string, number>();
  body.forEach((cells, index) => {
    const line = index + 2;
    if (cells.every((cell) => cell.trim() === "")) return;
    const read = readShelfRow(cellsOf(columns, cells), digits);
    if ("troubles" in read) {
      for (const [column, words] of Object.entries(read.troubles)) troubles.push({ line, column, words });
      return;
    }
    const key = shelfKey(read.row);
    const before = known.get(key);
    if (before) troubles.push({ line, words: `The same as line ${before}.` });
    known.set(key, line);
    items.push(read.row);
  });
  if (troubles.length > 0) return { troubles: troubles.slice(0, MOST_TOLD) };
  if (items.length === 0) return { troubles: [{ line: 1, words: "There is no row under the first line." }] };
  const unsaid = MAY_BE_UNSAID.flatMap(([column, field]) => (columns.includes(column) ? [] : [field]));
  return { items, leftOut: head.filter((_, at) => !columns[at]), unsaid };
}
