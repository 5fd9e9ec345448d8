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
