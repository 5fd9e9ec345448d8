import { Link } from "react-router";
import { WAITS, type WaitKind } from "../../core/book/facts/index.ts";
import { fromWords } from "../../core/report/index.ts";
import type { Slip } from "../../server/books/jobs/list-today.ts";
import { useMember } from "../desk/member.ts";
import { STAGE_NAMES } from "../shell/stage-names.ts";
import { dateOf, spanWords } from "../ui/dates.ts";
import { StageMark } from "../ui/StageMark.tsx";
import { waitUntilWords } from "../ui/waits.ts";

const LANES: Record<WaitKind, { title: string; empty: string }> = {
  hands: { title: "Hands", empty: "Nothing waits for a person." },
  heat: { title: "Heat", empty: "No engine warming or cooling." },
  parts: { title: "Parts", empty: "Nothing waits for a part." },
  night: { title: "A night", empty: "No level waits for the morning." },
  owner: { title: "The owner", empty: "Nobody has to be asked." },
};

function JobSlip({ slip, now }: { slip: Slip; now: number }) {
  const { timeZone } = useMember();
  return (
    <Link
      to={`/jobs/${slip.id}/${slip.stage}`}
      className="flex flex-col gap-1 border-ink border-l-4 bg-sheet px-4 py-3 hover:bg-wash"
    >
      <span className="flex items-baseline justify-between gap-2">
        <span className="figure font-bold text-xl">{slip.plate}</span>
        <span className="figure text-ink-2 text-sm">№ {slip.number}</span>
      </span>
      <span className="text-ink-2">
        {[
          slip.vehicle || "model not known yet",
          slip.bay,
          slip.assignedTo,
          slip.from && fromWords(slip.from, (iso) => dateOf(iso, timeZone)),
        ]
          .filter(Boolean)
          .join(" · ")}
      </span>
      <span>{slip.finding ?? slip.complaint ?? "Complaint not written yet"}</span>
      <span className="flex items-center gap-1" role="img" aria-label={`In ${STAGE_NAMES[slip.stage]}`}>
        {slip.stages.map(({ stage, state }) => (
          <span key={stage} aria-hidden="true">
            <StageMark state={state} />
          </span>
        ))}
        <span className="ml-2 font-bold">{STAGE_NAMES[slip.stage]}</span>
      </span>
      {slip.wait.words && (
        <span className="border-rule border-t pt-1">
          {slip.wait.words}, <span className="font-bold">{waitUntilWords(slip.wait, now, timeZone)}</span>
        </span>
      )}
      <span className="text-ink-2 text-sm">
        {slip.open === 0 ? "nothing open" : `${slip.open} open`} · last entry {spanWords(slip.lastAt, now)}{" "}
        ago
      </span>
    </Link>
  );
}

/** The jobs in hand by what each waits for. */
export function ByWaits({ slips, now }: { slips: readonly Slip[]; now: number }) {
  return (
    <div className="border-ink border-t-2">
      {WAITS.map((wait) => {
        const here = slips.filter((slip) => slip.wait.waitsFor === wait);
        return (
          <section
            key={wait}
            aria-labelledby={`lane-${wait}`}
            className="grid gap-x-6 gap-y-2 border-edge border-b py-4 lg:grid-cols-[9rem_1fr]"
          >
            <h2 id={`lane-${wait}`} className="text-xl">
              <span className="block font-normal text-base text-ink-2">waits for</span>
              {LANES[wait].title}
            </h2>
            {here.length === 0 ? (
              <p className="self-center text-ink-2">{LANES[wait].empty}</p>
            ) : (
              <div className="grid gap-4 xl:grid-cols-2">
                {here.map((slip) => (
                  <JobSlip key={slip.id} slip={slip} now={now} />
                ))}
              </div>
            )}
          </section>
        );
      })}
    </div>
  );
}
