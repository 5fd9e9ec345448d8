import type { FitLine } from "./fit-line.ts";

export interface FitResult {
  /** Nothing was measured, one thing can't be helped, not all is measured, all the same, or it fits with the remedies. */
  fits: "unknown" | "stops" | "not all measured" | "same" | "with remedies";
  /** The same as a book's verdict on what was compared. */
  verdict: "pass" | "fail" | "not-seen";
  extraMinutes: number;
  /** What differs, or isn't measured, in one text for the book. */
  words: string;
  /** What can be helped, each with what to do. */
  remedies: (FitLine & { remedy: string })[];
}

const MOST_LETTERS = 1900;

function fitsBy(lines: readonly FitLine[]): FitResult["fits"] {
  const has = (verdict: FitLine["verdict"]) => lines.some((each) => each.verdict === verdict);
  if (lines.length === 0) return "unknown";
  if (has("stop")) return "stops";
  if (has("not-seen")) return "not all measured";
  return has("adapt") ? "with remedies" : "same";
}

const VERDICTS = {
  unknown: "not-seen",
  stops: "fail",
  "not all measured": "not-seen",
  same: "pass",
  "with remedies": "pass",
} as const;

/** What comes of a comparison of two units, line by line as `compareUnits` gives them. */
export function fitResult(lines: readonly FitLine[]): FitResult {
  const fits = fitsBy(lines);
  const told = lines
    .filter(({ verdict }) => verdict !== "same")
    .map(({ what, verdict, remedy }) => `${what}: ${verdict.replace("-", " ")}. ${remedy ?? ""}`.trim());
  return {
    fits,
    verdict: VERDICTS[fits],
    extraMinutes: lines.reduce((sum, { extraMinutes }) => sum + extraMinutes, 0),
    words: (told.length > 0 ? told.join(" ") : "The same in all that was measured.").slice(0, MOST_LETTERS),
    remedies: lines.flatMap((each) =>
      each.verdict === "adapt" && each.remedy ? [{ ...each, remedy: each.remedy }] : [],
    ),
  };
}
