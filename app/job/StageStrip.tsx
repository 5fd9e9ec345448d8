import { NavLink, useLocation, useNavigate } from "react-router";
import { stageStates } from "../../core/job/index.ts";
import type { Entry } from "../../core/ledger/index.ts";
import { STAGE_NAMES } from "../shell/stage-names.ts";
import { StageMark } from "../ui/StageMark.tsx";

interface Given {
  jobId: string;
  entries: Entry[];
  isSigned: boolean;
}

/** The eight stages with their state by shape and the count of what is open there. A list to choose from on a phone. */
export function StageStrip({ jobId, entries, isSigned }: Given) {
  const states = stageStates(entries, isSigned);
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const here = states.find(({ stage }) => pathname.endsWith(`/${stage}`))?.stage ?? "ask";
  return (
    <nav aria-label="Stages" className="sticky top-0 z-20 border-rule border-b bg-paper px-5 lg:px-7">
      <label className="flex items-center gap-3 py-2 sm:hidden">
        <span className="font-bold">Stage</span>
        <select
          className="field-box"
          value={here}
          onChange={(event) => void navigate(`/jobs/${jobId}/${event.target.value}`)}
        >
          {states.map(({ stage, openCount }) => (
            <option key={stage} value={stage}>
              {STAGE_NAMES[stage]}
              {openCount > 0 ? `, ${openCount} open` : ""}
            </option>
          ))}
        </select>
      </label>
      <ol className="hidden justify-between sm:flex">
        {states.map(({ stage, state, openCount }) => (
          <li key={stage} className="flex-1">
            <NavLink
              to={`/jobs/${jobId}/${stage}`}
              className={({ isActive }) =>
                `flex min-h-14 items-center gap-1.5 border-b-4 pr-1 ${isActive ? "border-ink font-bold" : "border-transparent text-ink-2 hover:text-ink"}`
              }
            >
              <StageMark state={state} />
              {STAGE_NAMES[stage]}
              {openCount > 0 && (
                <span className="figure text-sm">
                  <span aria-hidden="true">{openCount}</span>
                  <span className="sr-only">{openCount} open</span>
                </span>
              )}
            </NavLink>
          </li>
        ))}
      </ol>
    </nav>
  );
}
