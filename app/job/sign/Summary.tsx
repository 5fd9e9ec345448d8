import { chosenParts, complaintOf, findingOf } from "../../../core/job/index.ts";
import { useJob } from "../context.ts";

/** What the job was about, in three lines. */
export function Summary() {
  const { entries } = useJob();
  const finding = findingOf(entries);
  const parts = chosenParts(entries);
  const rows: [string, string][] = [
    ["Complaint", complaintOf(entries) ?? "not written"],
    ["Found", finding ? finding.words : "no finding yet"],
    [
      "Parts",
      parts.length > 0
        ? parts.map((part) => `${part.words}, ${part.grade}, ${part.supplier}`).join("; ")
        : "none",
    ],
  ];
  return (
    <dl className="border-ink border-t-2">
      {rows.map(([name, words]) => (
        <div key={name} className="grid gap-x-4 border-rule border-b py-2 sm:grid-cols-[8rem_1fr]">
          <dt className="text-ink-2">{name}</dt>
          <dd>{words}</dd>
        </div>
      ))}
    </dl>
  );
}
