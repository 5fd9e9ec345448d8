import type { SeenAs } from "../../../core/book/facts/index.ts";
import { partsState } from "../../../core/book/parts/index.ts";
import { complaintOf, findingOf, whileApart } from "../../../core/state/index.ts";
import { useJob } from "../stage/context.ts";

const APART_WORDS = { replaced: "Replaced too", advised: "Advised", declined: "Declined" } as const;

/** What the job was about, in a few lines. */
export function Summary() {
  const { entries } = useJob();
  const finding = findingOf(entries);
  const parts = partsState(entries).filter(({ refused }) => !refused);
  const apart = whileApart(entries);
  const told = (as: SeenAs) =>
    apart
      .filter((row) => row.as === as)
      .map(({ what, text }) => (text?.includes(";") ? `${what} (${text.split(";")[0]})` : what));
  const advice = (["replaced", "advised", "declined"] as const).flatMap((as): [string, string][] => {
    const rows = told(as);
    return rows.length > 0 ? [[APART_WORDS[as], rows.join("; ")]] : [];
  });
  const rows: [string, string][] = [
    ["Complaint", complaintOf(entries) ?? "not written"],
    ["Found", finding ? finding.words : "no finding yet"],
    [
      "Parts",
      parts.length > 0
        ? parts.map((part) => `${part.words}, ${part.grade}, ${part.supplier}`).join("; ")
        : "none",
    ],
    ...advice,
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
