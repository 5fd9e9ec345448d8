export { type Correction, correctionsAfter } from "./corrections.ts";
export type { JobReport, ReportRow } from "./job-report.ts";
export { type ReportInput, reportOf } from "./report.ts";
export { type Block, type Section, type Sheet, sheetOf, type VerdictRow } from "./sections.ts";
export { fromSentence, fromWords, type WhereFrom } from "./where-from.ts";
