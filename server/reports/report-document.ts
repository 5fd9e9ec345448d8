import type { Content, TDocumentDefinitions } from "pdfmake/interfaces.js";
import type { System } from "../../core/kernel/units/index.ts";
import { VERDICT_WORDS } from "../../core/kernel/verdict/index.ts";
import {
  type Block,
  type JobReport,
  type ReportRow,
  sheetOf,
  type VerdictRow,
} from "../../core/report/index.ts";
import { inFonts } from "./pdf-fonts.ts";
import { type PaperCurve, warmUpSvg } from "./warm-up-svg.ts";

export interface PaperReport {
  report: JobReport;
  shopName: string;
  /** Where people of the shop find the vehicle. */
  vehicleAddress: string;
  system: System;
  /** When it was printed, as the shop writes it. */
  printed: string;
  curve?: PaperCurve & { name: string };
}

const INK = "#211D18";
const SECOND = "#5B5348";
const RULE = "#C9BDA6";
const MOST_ROWS = 400;

const say = (text: string, more: object = {}): Content => ({ text: inFonts(text) as never, ...more });
const title = (text: string): Content => say(text, { bold: true, fontSize: 12, margin: [0, 12, 0, 3] });

/** Verdicts by their shape first, as on the screen: a disc with a tick, a square with a notch, an open ring with a dash. */
const SHAPES = {
  pass: '<circle cx="6" cy="6" r="5.4" fill="#211D18"/><path d="M3.4 6.2l1.9 2 3.4-4" fill="none" stroke="#FFFFFF" stroke-width="1.5"/>',
  fail: '<path d="M.8.8H7.4V4.6H11.2V11.2H.8Z" fill="#211D18"/>',
  "not-seen":
    '<circle cx="6" cy="6" r="5" fill="none" stroke="#211D18" stroke-width="1.1"/><path d="M3.6 6H8.4" stroke="#211D18" stroke-width="1.1"/>',
} as const;
const shape = (verdict: keyof typeof SHAPES): Content => ({
  svg: `<svg xmlns="http://www.w3.org/2000/svg" width="12" height="12" viewBox="0 0 12 12">${SHAPES[verdict]}</svg>`,
  width: 9,
  margin: [0, 2, 0, 0],
});

const LINES = {
  hLineWidth: (line: number) => (line === 0 ? 0 : 0.5),
  vLineWidth: () => 0,
  hLineColor: () => RULE,
  paddingLeft: (column: number) => (column === 0 ? 0 : 6),
  paddingRight: () => 0,
  paddingTop: () => 2,
  paddingBottom: () => 2,
};

const table = (widths: (number | string)[], body: Content[][], headerRows = 0): Content => ({
  table: { widths, body: body as never, headerRows, dontBreakRows: true },
  layout: LINES,
});

const named = (rows: readonly ReportRow[]): Content[] =>
  rows.length === 0
    ? []
    : [
        table(
          [96, "*"],
          rows.slice(0, MOST_ROWS).map(({ name, words }) => [say(name, { color: SECOND }), say(words)]),
        ),
      ];

/** So many letters with their heading fit on a page for certain; more of them may break over two. */
const MOST_TOGETHER = 1200;

/** A part with its heading, from so much text; a short one stays on one page. */
const part = (heading: string, content: readonly Content[], from: unknown = ""): Content[] =>
  content.length === 0
    ? []
    : [
        {
          stack: [title(heading), ...content],
          unbreakable: JSON.stringify(from).length <= MOST_TOGETHER,
        },
      ];

const verdicts = (rows: readonly VerdictRow[]): Content =>
  table(
    [12, "*", 48],
    rows
      .slice(0, MOST_ROWS)
      .map(({ words, verdict }) => [shape(verdict), say(words), say(VERDICT_WORDS[verdict])]),
  );

function drawn(block: Block, { curve, system }: PaperReport): Content[] {
  switch (block.is) {
    case "rows":
      return named(block.rows);
    case "verdicts":
      return [verdicts(block.rows)];
    case "list":
      return [{ ul: block.items.slice(0, MOST_ROWS).map((words) => say(words)) }];
    case "text":
      return [say(block.words, { margin: [0, 0, 0, 2], bold: block.isStrong ?? false })];
    case "curve":
      return curve && curve.points.length > 1
        ? [{ svg: warmUpSvg(curve, system) }, say(curve.name, { color: SECOND, fontSize: 8 })]
        : [];
  }
}

/** The report of a job as pages of paper: first what the owner reads, then what the next technician looks for. */
export function reportDocument(paper: PaperReport): TDocumentDefinitions {
  const { report, shopName, vehicleAddress, printed } = paper;
  const sheet = sheetOf(report);
  const [signed = "", ...notes] = sheet.under;
  return {
    // The paper that lies in the printer where the shop counts in its units.
    pageSize: paper.system === "us" ? "LETTER" : "A4",
    pageMargins: [40, 40, 40, 44],
    info: { title: sheet.title, author: shopName, creator: "Warm Ledger", producer: "Warm Ledger" },
    defaultStyle: { font: "Ours", fontSize: 9.5, color: INK, lineHeight: 1.15 },
    footer: (page, pages) => ({
      columns: [
        say(`${sheet.title}. Printed ${printed}.`, { color: SECOND, fontSize: 8 }),
        say(`${page} of ${pages}`, { color: SECOND, fontSize: 8, alignment: "right" }),
      ],
      margin: [40, 14, 40, 0],
    }),
    content: [
      {
        columns: [
          [
            say(shopName, { color: SECOND }),
            say(sheet.title, { bold: true, fontSize: 20, margin: [0, 2, 0, 2] }),
            say(signed),
            ...notes.map((note) => say(note, { bold: true })),
          ],
          { width: 74, qr: vehicleAddress, fit: 74, foreground: INK },
        ],
      },
      ...sheet.sections.flatMap(({ title: heading, blocks }) =>
        part(
          heading,
          blocks.flatMap((block) => drawn(block, paper)),
          blocks,
        ),
      ),
      ...sheet.foot.map((words) => say(words, { color: SECOND, fontSize: 8, margin: [0, 8, 0, 0] })),
    ],
  };
}
