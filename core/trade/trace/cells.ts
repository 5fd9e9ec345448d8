const ZERO = 48;
const NINE = 57;
const DOT = 46;
const COMMA = 44;
const MINUS = 45;
const PLUS = 43;
const SPACE = 32;
const QUOTE = 34;
/** No figure, time or date is longer; what is, is read as none, so that no pattern meets a cell that never ends. */
const MOST_CELL_LETTERS = 64;

/**
 * The figure between two places of a text, without cutting the text up; NaN where there is none. A comma counts as the
 * decimal mark only where it isn't what parts the columns.
 */
export function figureAt(text: string, from: number, to: number, decimalComma: boolean): number {
  if (to - from > MOST_CELL_LETTERS) return Number.NaN;
  let start = from;
  let end = to;
  while (start < end && (text.charCodeAt(start) === SPACE || text.charCodeAt(start) === QUOTE)) start++;
  while (end > start && (text.charCodeAt(end - 1) === SPACE || text.charCodeAt(end - 1) === QUOTE)) end--;
  let sign = 1;
  const first = text.charCodeAt(start);
  if (first === MINUS || first === PLUS) {
    sign = first === MINUS ? -1 : 1;
    start++;
  }
  if (start >= end) return Number.NaN;
  let figure = 0;
  let scale = 0;
  for (let at = start; at < end; at++) {
    const code = text.charCodeAt(at);
    if (code >= ZERO && code <= NINE) {
      figure = figure * 10 + (code - ZERO);
      scale *= 10;
    } else if (scale === 0 && (code === DOT || (code === COMMA && decimalComma))) scale = 1;
    else {
      const rest = text.slice(start, end);
      const large = /^\d+(\.\d+)?e[+-]?\d+$/i.test(rest) ? sign * Number(rest) : Number.NaN;
      return Number.isFinite(large) ? large : Number.NaN;
    }
  }
  if (scale === 1 && end - start === 1) return Number.NaN;
  return (sign * figure) / (scale || 1);
}

const CLOCK =
  /^(?:(.*?)[T ,])?(\d{1,3}):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?\s*(am|pm)?(?:Z|[+-]\d{2}:?\d{2})?$/i;
const ISO_DATE = /^(\d{4})-(\d{2})-(\d{2})$/;

export interface ClockTime {
  /** The date as written, or empty. */
  date: string;
  /** Days since 1970 for an ISO date. */
  day?: number;
  secondOfDay: number;
}

/** A time of day with or without a date before it; undefined where the cell holds none. */
export function clockAt(cell: string): ClockTime | undefined {
  if (cell.length > MOST_CELL_LETTERS) return undefined;
  const match = CLOCK.exec(cell.replaceAll('"', "").trim());
  if (!match) return undefined;
  const [, date = "", hours, minutes, seconds = "0", half] = match;
  const iso = ISO_DATE.exec(date.trim());
  const hour = half ? (Number(hours) % 12) + (half.toLowerCase() === "pm" ? 12 : 0) : Number(hours);
  return {
    date: date.trim(),
    day: iso ? Date.UTC(Number(iso[1]), Number(iso[2]) - 1, Number(iso[3])) / 86_400_000 : undefined,
    secondOfDay: hour * 3600 + Number(minutes) * 60 + Number(seconds.replace(",", ".")),
  };
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
