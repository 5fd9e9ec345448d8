/** What stands in the world's file of that name. The core opens no file: who asks brings the reader. */
export type WorldFile = (name: string) => string;

/** The rows of a world's file by their columns' names. What stands in them was made by equations that aren't the project's. */
export function rowsOf(text: string): Record<string, string>[] {
  const [head = "", ...lines] = text.trim().split(/\r?\n/);
  const columns = head.split(",");
  return lines.map((line) => {
    const cells = line.split(",");
    return Object.fromEntries(columns.map((column, place) => [column, cells[place] ?? ""]));
  });
}

/** Rows gathered by what one column says, in the order in which each first comes. */
export function gathered(
  rows: readonly Record<string, string>[],
  column: string,
): Map<string, Record<string, string>[]> {
  const all = new Map<string, Record<string, string>[]>();
  for (const row of rows) {
    const key = row[column] ?? "";
    const list = all.get(key);
    if (list) list.push(row);
    else all.set(key, [row]);
  }
  return all;
}
