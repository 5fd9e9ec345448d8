const ZERO = 48;
const NINE = 57;
const DOT = 46;
const COMMA = 44;
const MINUS = 45;
const PLUS = 43;
const SPACE = 32;
const QUOTE = 34;
/** No figure, time or date is longer; what is, is read as none, so that no pattern meets a cell that never ends. */
export const MOST_CELL_LETTERS = 64;

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

const TYPED = /^[-+]?(?:(?:\d{1,3}(?: \d{3})+|\d+)(?:[.,]\d*)?|[.,]\d+)$/;
/** A person groups thousands so, and a program writes thousandths so: neither is taken for the other. */
const EITHER = /^[-+]?\d{1,3}[.,]\d{3}$/;
const plainOf = (text: string) =>
  text
    .trim()
    .replace(/[\u00a0\u202f]/g, " ")
    .replace("−", "-");

/**
 * A figure as a person types it, comma or point, blanks between thousands, either minus; nothing where it is none, an empty one among
 * them, or is written as only a machine does.
 * @example typedFigure("1 149,50") // 1149.5
 */
export function typedFigure(text: string): number | undefined {
  const plain = plainOf(text);
  return plain.length <= MOST_CELL_LETTERS && TYPED.test(plain)
    ? Number(plain.replace(",", ".").replaceAll(" ", ""))
    : undefined;
}

/** Whether three figures behind one mark are thousands here and thousandths there: "1,149". */
export const mayBeThousands = (text: string): boolean => EITHER.test(plainOf(text));
