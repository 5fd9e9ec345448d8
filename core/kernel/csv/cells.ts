const MARKS = [";", "\t", ","];

/** What parts the columns of a line: the one that it has most of, outside its quotes. A comma may stand in the figures of the others. */
export function partedBy(line: string): string {
  const counts = MARKS.map((mark) => splitLine(line, mark).length);
  return MARKS[counts.indexOf(Math.max(...counts))] ?? ",";
}

/** The cells of one line, quotes taken off; for headers and for lines that hold quotes. */
export function splitLine(line: string, delimiter: string): string[] {
  const cells: string[] = [];
  let cell = "";
  let inQuotes = false;
  for (let at = 0; at < line.length; at++) {
    const sign = line[at];
    if (sign === '"') {
      if (inQuotes && line[at + 1] === '"') {
        cell += '"';
        at++;
      } else inQuotes = !inQuotes;
    } else if (sign === delimiter && !inQuotes) {
      cells.push(cell);
      cell = "";
    } else cell += sign;
  }
  cells.push(cell);
  return cells;
}
