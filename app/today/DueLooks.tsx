import { Link } from "react-router";
import { format } from "../../core/kernel/units/index.ts";
import type { PromiseDue } from "../../server/subjects/follow-ups/read-promises.ts";
import { useMember } from "../desk/member.ts";
import { dateOf, dayOf } from "../ui/dates.ts";

/** Second looks, the longest due first; each goes to its job, where it is done, moved or left out. */
export function DueLooks({ looks, isLong = false }: { looks: readonly PromiseDue[]; isLong?: boolean }) {
  const { units } = useMember();
  const told = isLong ? dateOf : dayOf;
  return (
    <ul className="border-ink border-t-2">
      {looks.map(({ jobId, key, plate, name, what, on, byKm, distanceKm, isDue }) => (
        <li key={jobId + key} className="border-rule border-b">
          <Link
            to={`/jobs/${jobId}/sign#looks`}
            className={`flex min-h-12 flex-wrap items-baseline gap-x-3 border-l-4 px-3 py-2 hover:bg-wash ${isDue ? "border-ink bg-sheet" : "border-transparent"}`}
          >
            <span className="figure font-bold">{plate}</span>
            <span className="text-ink-2">{name}</span>
            <span className="w-full">
              {what}, <span className="font-bold">{on ? told(`${on}T12:00:00Z`, "UTC") : "some day"}</span>
              {byKm !== null && ` or at ${format(byKm, "distance", units)}`}
              {byKm !== null && distanceKm !== null && distanceKm >= byKm && " (it has run that)"}
            </span>
          </Link>
        </li>
      ))}
    </ul>
  );
}
