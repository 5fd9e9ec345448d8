import type { JobReport } from "./job-report.ts";

const listed = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? "") : `${words.slice(0, -1).join(", ")} and ${words.at(-1)}`;
const ended = (text: string) => (/[.?!]$/.test(text) ? text : `${text}.`);
const lowered = (text: string) =>
  /^[A-Z][a-z]/.test(text) ? text.charAt(0).toLowerCase() + text.slice(1) : text;

/** The report in a few plain sentences: what was wrong, what was done, what was not seen, what to look for. */
export function ownerText(
  report: Omit<JobReport, "owner">,
  kind: "fault" | "nothing-wrong" | undefined,
): string[] {
  const words = (name: string) => report.job.find((row) => row.name === name)?.words ?? "";
  const failed = report.proofs.filter(({ verdict }) => verdict === "fail");
  const unseen = report.proofs.filter(({ verdict }) => verdict === "not-seen");
  const declined = report.advice.filter(({ words: said }) => said.startsWith("advised and declined"));
  const advised = report.advice.filter(
    ({ words: said }) => said.startsWith("advised") && !said.startsWith("advised and"),
  );
  const looks = report.looks.filter(({ state }) => state === "open");
  const complaint = words("Complaint");
  const fitted = report.parts.filter(({ isFitted }) => isFitted);
  const moved = report.coolant.find(({ name }) => name === "Out and in")?.words;
  return [
    complaint === "not written" ? "" : ended(`You told us: ${complaint}`),
    kind === "nothing-wrong"
      ? ended(`We found nothing wrong: ${lowered(words("Found"))}`)
      : kind === "fault"
        ? ended(`We found: ${lowered(words("Found"))}`)
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
          `Please come again: ${looks.map(({ what, when }) => `${what}${when ? `, by ${when}` : ""}`).join("; ")}`,
        )
      : "",
    "Stop and let it cool if the gauge climbs into the red or a warning lights. Never open a hot cap. Coolant is poison to animals and children. The maker's own instructions come before ours.",
  ].filter(Boolean);
}
