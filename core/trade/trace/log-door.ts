import { partedBy, splitLine } from "../../kernel/csv/index.ts";
import { plainName, readHeader } from "./columns.ts";
import type { TraceProblem } from "./trace.ts";

/** A million rows of four columns come to about 30 million characters. */
export const MOST_CHARACTERS = 48_000_000;
const COMMENT = /^\s*(#|\/\/|;|%|--)/;
/** Loggers put names, dates and settings above the header; more than this is no log. */
const HEADER_WITHIN_LINES = 60;
/** A line that is longer, or has more columns, is no header of a log. */
const MOST_HEADER_LETTERS = 8000;
const MOST_COLUMNS = 250;

export interface Header {
  cells: string[];
  delimiter: string;
  /** Its line, from 1. */
  line: number;
  /** Where the first row starts in the text. */
  rowsAt: number;
}

const BINARY_STARTS = ["\u0089PNG", "\ufffdPNG", "\u00ff\u00d8", "\ufffd\ufffd", "%PDF", "GIF8", "PK\u0003"];

function isBinary(text: string): boolean {
  const head = text.slice(0, 2000);
  if (head.includes("\u0000") || BINARY_STARTS.some((start) => head.startsWith(start))) return true;
  const strange = head.match(/[^\P{Cc}\t\r\n]|\ufffd/gu)?.length ?? 0;
  return strange > head.length / 20;
}

/** What can be told without reading the log: nothing in it, too much in it, or no text at all. */
export function refuseAtTheDoor(text: string): Omit<TraceProblem, "stops"> | undefined {
  if (text.trim() === "")
    return { line: 1, message: "The file is empty. A log needs a header line and at least two rows." };
  if (text.length > MOST_CHARACTERS) {
    const size = Math.round(text.length / 1e6);
    return {
      message: `The file is ${size} MB; at most ${MOST_CHARACTERS / 1e6} MB can be read. Export one warm-up, or fewer columns.`,
    };
  }
  if (isBinary(text))
    return {
      line: 1,
      message: "This is a picture or another program's file, not text. Export the log as CSV.",
    };
  return undefined;
}

/** The first line that names at least one column known here; failing that, the first one of several words. */
export function findHeader(text: string): Header | undefined {
  let at = text.charCodeAt(0) === 0xfeff ? 1 : 0;
  let fallback: Header | undefined;
  for (let line = 1; line <= HEADER_WITHIN_LINES && at < text.length; line++) {
    const end = text.indexOf("\n", at);
    const stop = end === -1 ? text.length : end;
    const content = text.slice(at, Math.min(stop, at + MOST_HEADER_LETTERS + 2)).replace(/\r$/, "");
    at = stop + 1;
    if (content.length > MOST_HEADER_LETTERS || content.trim() === "" || COMMENT.test(content)) continue;
    const delimiter = partedBy(content);
    const cells = splitLine(content, delimiter);
    if (cells.length > MOST_COLUMNS) continue;
    const header = { cells, delimiter, line, rowsAt: at };
    const known = new Set(readHeader(cells).map((column) => column.role));
    if (known.has("coolant") && known.has("time")) return header;
    const worded =
      cells.length > 1 && cells.every((cell) => /[a-z]/.test(plainName(cell)) && !/:\d/.test(cell));
    if (worded) fallback ??= header;
  }
  return fallback;
}
