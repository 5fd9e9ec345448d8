import { thing } from "../../core/book/out/index.ts";
import type { PartLife } from "../../core/stages/earlier-jobs/index.ts";
import { useMember } from "../desk/member.ts";
import { dateOf, spanWords } from "../ui/dates.ts";

/** Every cooling part with its dates and how long it lasted, as bars on one scale. */
export function PartLives({ parts, levels }: { parts: PartLife[]; levels: { at: string; text: string }[] }) {
  const { timeZone } = useMember();
  const now = Date.now();
  const ends = (part: PartLife) => (part.to ? new Date(part.to).getTime() : now);
  const start = Math.min(...parts.map((part) => new Date(part.from).getTime()));
  const whole = Math.max(1, now - start);
  return (
    <section aria-labelledby="parts">
      <h2 id="parts" className="mb-3 text-2xl">
        Parts and how long they lasted
      </h2>
      {parts.length === 0 && <p>No part has been fitted here yet.</p>}
      <ul className="flex flex-col gap-3">
        {parts.map((part) => {
          const left = Math.min(99, ((new Date(part.from).getTime() - start) / whole) * 100);
          const width = Math.max(1, ((ends(part) - new Date(part.from).getTime()) / whole) * 100);
          return (
            <li key={`${part.jobId}${part.item}${part.place}`}>
              <p className="flex flex-wrap justify-between gap-x-4">
                <span>
                  <span className="font-bold">{thing({ ...part, account: "part" })}</span> {part.grade},{" "}
                  {part.supplier}
                </span>
                <span className="text-ink-2">
                  {dateOf(part.from, timeZone)} to{" "}
                  {part.to
                    ? `${dateOf(part.to, timeZone)}, ${spanWords(part.from, ends(part))}`
                    : `now, ${spanWords(part.from, now)}`}
                </span>
              </p>
              <div className="mt-1 h-3 bg-wash" aria-hidden="true">
                <div
                  className={`h-3 border-2 border-ink ${part.to ? "bg-rule" : "bg-ink"}`}
                  style={{ marginLeft: `${left}%`, width: `${width}%` }}
                />
              </div>
            </li>
          );
        })}
      </ul>
      {levels.length > 0 && (
        <>
          <h3 className="mt-6 mb-2 text-xl">Coolant level</h3>
          <ul className="grid gap-x-6 sm:grid-cols-2">
            {levels
              .slice(-6)
              .reverse()
              .map((level) => (
                <li key={level.at} className="flex justify-between border-rule border-b py-1">
                  <span>{dateOf(level.at, timeZone)}</span>
                  <span className="text-ink-2">{level.text}</span>
                </li>
              ))}
          </ul>
        </>
      )}
    </section>
  );
}
