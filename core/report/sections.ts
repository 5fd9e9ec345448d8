import type { Verdict } from "../kernel/verdict/index.ts";
import type { JobReport, ReportRow } from "./job-report.ts";

export interface VerdictRow {
  words: string;
  verdict: Verdict;
}

/** What stands in a section, in one of the ways that page and paper can both draw. */
export type Block =
  | { is: "rows"; rows: readonly ReportRow[] }
  | { is: "verdicts"; rows: readonly VerdictRow[] }
  | { is: "list"; items: readonly string[] }
  | { is: "text"; words: string; isStrong?: boolean }
  /** Where the warm-up's curve stands. */
  | { is: "curve" };

export interface Section {
  id: string;
  title: string;
  blocks: readonly Block[];
}

export interface Sheet {
  title: string;
  /** Who signed it, where it came from, and whether it was corrected since; the first in plain, the others strong. */
  under: readonly string[];
  sections: readonly Section[];
  /** What stands at its foot, small. */
  foot: readonly string[];
}

const section = (id: string, title: string, ...blocks: Block[]): Section[] => {
  const full = blocks.filter((block) => {
    if (block.is === "rows" || block.is === "verdicts") return block.rows.length > 0;
    return block.is === "list" ? block.items.length > 0 : true;
  });
  return full.length > 0 ? [{ id, title, blocks: full }] : [];
};

const withBecause = ({ words, because }: { words: string; because?: string }) =>
  because ? `${words}. ${because}` : words;

function openSection({ open, signed, reason }: JobReport): Section[] {
  if (!signed && open.length === 0) return [];
  const because = open.length > 0 ? "Signed all the same, because" : "Said with the signature";
  return section(
    "open",
    signed ? "Open when it was signed" : "Open now",
    ...(open.length > 0
      ? [{ is: "list", items: open } as const]
      : [{ is: "text", words: "Nothing: the books balance." } as const]),
    ...(reason ? [{ is: "text", words: `${because}: ${reason}`, isStrong: true } as const] : []),
  );
}

const correctionWords = ({ wrong, was, is, by, why }: JobReport["corrections"][number]) =>
  `Line ${wrong}, “${was}” ${is ? `now reads “${is}”` : "was struck out"}, by ${by}. ${why ? `Because: ${why}.` : "No reason was given."}`;

/** A job's report as a sheet: what is drawn, in which order and in which words, for the page and for paper alike. */
export function sheetOf(report: JobReport): Sheet {
  const { book } = report;
  return {
    title: report.title,
    under: [
      report.signed ? `Signed by ${report.signed}` : "A draft: nobody has signed this job yet.",
      ...(report.from ? [report.from] : []),
      ...(report.corrections.length > 0 ? ["Corrected after it was signed: see the end."] : []),
    ],
    sections: [
      ...section("owner", "In short", ...report.owner.map((words) => ({ is: "text", words }) as const)),
      ...section("vehicle", "Vehicle", { is: "rows", rows: report.vehicle }),
      ...section("job", "The job", { is: "rows", rows: report.job }),
      ...section("evidence", "Evidence for what was found", { is: "verdicts", rows: report.evidence }),
      ...section("parts", "Parts", {
        is: "rows",
        rows: report.parts.map(({ part, grade, supplier, guarantee, isFitted }) => ({
          name: part,
          words: `${grade}, ${supplier}${isFitted ? "" : ", not written as fitted"}. Guarantee: ${guarantee}.`,
        })),
      }),
      ...section("coolant", "Coolant", { is: "rows", rows: report.coolant }),
      ...section("curve", "Warm-up", { is: "curve" }),
      ...section("proofs", "Proven", {
        is: "verdicts",
        rows: report.proofs.map((proof) => ({ words: withBecause(proof), verdict: proof.verdict })),
      }),
      ...section("advice", "Advice", { is: "rows", rows: report.advice }),
      ...openSection(report),
      ...section("looks", "To look at again", {
        is: "rows",
        rows: report.looks.map(({ what, when, state, said }) => ({
          name: when || "some day",
          words: [what, state === "open" ? "" : state, said].filter(Boolean).join(": "),
        })),
      }),
      ...section("people", "Who did what", { is: "rows", rows: report.people }),
      ...section("corrections", "Corrected after it was signed", {
        is: "list",
        items: report.corrections.map(correctionWords),
      }),
    ],
    foot: [
      ...(book.hash
        ? [
            `Its book has ${book.lines} lines; the last one's hash begins ${book.hash}. Whoever keeps the books can look whether it still stands there.`,
          ]
        : []),
      "The vehicle maker's instructions, local rules and licensed practice come before anything this program says.",
    ],
  };
}
