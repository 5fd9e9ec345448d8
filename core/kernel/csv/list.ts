/** What is wrong with a list that was handed in, and where. */
export interface ListTrouble {
  /** The line of the file, from 1; 1 is its head. */
  line: number;
  column?: string;
  words: string;
}

/** A head of a list without what people put around it: marks of a file's beginning, case, underscores. */
export const plainHead = (head: string): string =>
  head
    .replace(/^\uFEFF/, "")
    .trim()
    .toLowerCase()
    .replace(/[\s_]+/g, " ");

/** No list of a shop is wider. */
export const MOST_COLUMNS = 250;

/** What is wrong with a list's heads as a whole; nothing where each column that is needed is there, and none twice. */
export function headsTrouble<Column extends string>(
  columns: readonly (Column | undefined)[],
  needed: readonly Column[],
): string | undefined {
  if (columns.length > MOST_COLUMNS) return `The first line has more than ${MOST_COLUMNS} columns.`;
  const missing = needed.filter((each) => !columns.includes(each));
  if (missing.length > 0) return `The first line has to name its columns; ${missing.join(", ")} is missing.`;
  const twice = columns.find((each, index) => each && columns.indexOf(each) !== index);
  return twice && `The column ${twice} is there twice.`;
}

/** One row's cells by their columns. */
export const cellsOf = <Column extends string>(
  columns: readonly (Column | undefined)[],
  cells: readonly string[],
): Partial<Record<Column, string>> =>
  Object.fromEntries(columns.flatMap((column, at) => (column ? [[column, cells[at] ?? ""]] : []))) as Partial<
    Record<Column, string>
  >;

/** More than that nobody reads through; the rest is told once those are put right. */
const MOST_TOLD = 200;

interface Wanted<Column extends string, Row> {
  columns: readonly (Column | undefined)[];
  needed: readonly Column[];
  mostRows: number;
  /** One row by its columns; nothing where it counts for nothing. */
  read: (
    cells: Partial<Record<Column, string>>,
  ) => { row: Row } | { troubles: Readonly<Partial<Record<Column, string>>> } | undefined;
  /** What two rows may not have alike. */
  keyOf?: (row: Row) => string;
}

/** A row of a list that was handed in, with its line in the file, from 1. */
export interface Listed<Row> {
  line: number;
  row: Row;
}

/**
 * A whole list, as it was cut into rows under a head: all of it, or every row that is wrong and why, and then nothing of it. Empty
 * rows count for nothing. `leftOut` are the heads that nobody here knows.
 */
export function readList<Column extends string, Row>(
  [head = [], ...body]: readonly (readonly string[])[],
  { columns, needed, mostRows, read, keyOf }: Wanted<Column, Row>,
): { rows: Listed<Row>[]; leftOut: string[] } | { troubles: ListTrouble[] } {
  const whole = (words: string) => ({ troubles: [{ line: 1, words }] });
  if (body.length > mostRows)
    return whole(`The list has ${body.length} rows; at most ${mostRows} are taken.`);
  const trouble = headsTrouble(columns, needed);
  if (trouble) return whole(trouble);
  const rows: Listed<Row>[] = [];
  const troubles: ListTrouble[] = [];
  const lineOf = new Map<string, number>();
  body.forEach((cells, index) => {
    if (cells.every((cell) => cell.trim() === "")) return;
    const line = index + 2;
    const found = read(cellsOf(columns, cells));
    if (!found) return;
    if ("row" in found) {
      const key = keyOf?.(found.row);
      const before = key === undefined ? undefined : lineOf.get(key);
      if (key !== undefined) lineOf.set(key, before ?? line);
      if (before) troubles.push({ line, words: `The same as line ${before}.` });
      else rows.push({ line, row: found.row });
    } else
      for (const [column, words] of Object.entries<string | undefined>(found.troubles))
        if (words) troubles.push({ line, column, words });
  });
  if (troubles.length > 0) return { troubles: troubles.slice(0, MOST_TOLD) };
  if (rows.length === 0) return whole("There is no row under the first line.");
  return { rows, leftOut: head.filter((_, at) => !columns[at]) };
}
