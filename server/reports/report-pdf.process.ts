import { gunzipSync } from "node:zlib";
import pdfmake from "pdfmake";
import {
  analyseTrace,
  decodeLog,
  readTrace,
  type TraceSpec,
  thinTrace,
} from "../../core/trade/trace/index.ts";
import { workAfterBookings } from "../threads/after-bookings.ts";
import { PDF_FONTS } from "./pdf-fonts.ts";
import { type PaperReport, reportDocument } from "./report-document.ts";

workAfterBookings();

export interface PaperOrder extends Omit<PaperReport, "curve"> {
  /** The log as it is kept, and the card that it is held against. */
  log?: { name: string; content: Uint8Array; spec: TraceSpec };
}

const MOST_POINTS = 600;

/** The log thinned out for a drawing of a hand's breadth; nothing where it can't be read. */
function curveOf({ name, content, spec }: NonNullable<PaperOrder["log"]>): PaperReport["curve"] {
  const { trace } = readTrace(decodeLog(gunzipSync(content)));
  if (!trace) return undefined;
  try {
    return { name, points: thinTrace(trace, MOST_POINTS), analysis: analyseTrace(trace, spec), spec };
  } catch (error) {
    if (error instanceof RangeError) return undefined;
    throw error;
  }
}

pdfmake.addFonts(PDF_FONTS);
const OURS = new Set<string>(Object.values(PDF_FONTS).flatMap((font) => Object.values(font)));
// A report is drawn from what it is given and our own fonts: nothing is fetched for it, and no other file is read.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path) => OURS.has(path));

/** The process's whole work: a report in, its PDF out. */
export default async function print({ log, ...paper }: PaperOrder): Promise<Uint8Array> {
  const curve = log && curveOf(log);
  return pdfmake.createPdf(reportDocument({ ...paper, ...(curve ? { curve } : {}) })).getBuffer();
}
