import type { Verdict } from "../kernel/verdict/index.ts";
import type { ProofRow } from "../state/index.ts";
import type { Correction } from "./corrections.ts";

export interface ReportRow {
  name: string;
  words: string;
}

/** What a job says of itself to whoever reads it later, in the shop's units: plain data for the page and the paper alike. */
export interface JobReport {
  title: string;
  /** Absent while it is a draft. */
  signed?: string;
  reason?: string;
  vehicle: ReportRow[];
  job: ReportRow[];
  evidence: { words: string; verdict: Verdict; line: number }[];
  /** Chosen ones; whether each went in. */
  parts: { part: string; grade: string; supplier: string; guarantee: string; isFitted: boolean }[];
  coolant: ReportRow[];
  proofs: Pick<ProofRow, "words" | "verdict" | "because">[];
  advice: (ReportRow & { as: "advised" | "declined" | "replaced" })[];
  open: string[];
  looks: { what: string; when: string; state: "open" | "done" | "dropped"; said?: string }[];
  people: ReportRow[];
  corrections: Correction[];
  /** Where it was read in from, in words. */
  from?: string;
  /** How many lines its book has, and the last one's hash as it is printed; no hash while there is no line. */
  book: { lines: number; hash?: string };
  /** The same in a few plain sentences for the owner. */
  owner: string[];
}
