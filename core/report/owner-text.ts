import type { Found } from "../state/index.ts";
import type { JobReport } from "./job-report.ts";

const listed = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? "") : `${words.slice(0, -1).join(", ")} and ${words.at(-1)}`;
const ended = (text: string) => (/[.?!]$/.test(text) ? text : `${text}.`);
const lowered = (text: string) =>
  /^[A-Z][a-z]/.test(text) ? text.charAt(0).toLowerCase() + text.slice(1) : text;

interface Told extends Omit<JobReport, "owner"> {
  finding: Found | undefined;
  /** What the owner said, and what coolant moved, in words; nothing where nobody wrote it. */
  complaint: string | undefined;
  moved: string | undefined;
}

/** The report in a few plain sentences: what was wrong, what was done, what was not seen, what to look for. */
export function ownerText({ complaint, finding, moved, parts, proofs, advice, looks: all }: Told): string[] {
  const failed = proofs.filter(({ verdict }) => verdict === "fail");
  const unseen = proofs.filter(({ verdict }) => verdict === "not-seen");
  const declined = advice.filter(({ as }) => as === "declined");
  const advised = advice.filter(({ as }) => as === "advised");
  const looks = all.filter(({ state }) => state === "open");
  const fitted = parts.filter(({ isFitted }) => isFitted);
  return [
    complaint ? ended(`You told us: ${complaint}`) : "",
    finding
      ? ended(
          `We found${finding.kind === "nothing-wrong" ? " nothing wrong" : ""}: ${lowered([finding.words, finding.cause].filter(Boolean).join("; "))}`,
        )
      : "",
    fitted.length > 0
      ? ended(
          `We fitted: ${listed(fitted.map(({ part, grade }) => `${part} (${grade === "maker's" ? "the maker's own" : grade})`))}`,
        )
      : "",
    moved ? ended(`Coolant: ${moved}`) : "",
    failed.length > 0 ? ended(`Not right yet: ${listed(failed.map(({ words: what }) => what))}`) : "",
    unseen.length > 0 ? ended(`We could not see: ${listed(unseen.map(({ words: what }) => what))}`) : "",
    advised.length > 0 ? ended(`We advise: ${listed(advised.map(({ name }) => name))} soon`) : "",
    declined.length > 0 ? ended(`You did not want now: ${listed(declined.map(({ name }) => name))}`) : "",
    looks.length > 0
      ? ended(
          `Please come again: ${looks.map(({ what, when }) => `${what}${when ? `, ${when}` : ""}`).join("; ")}`,
        )
      : "",
    "Stop and let it cool if the gauge climbs into the red or a warning lights. Never open a hot cap. Coolant is poison to animals and children. The maker's own instructions come before ours.",
  ].filter(Boolean);
}
