import { ChevronDown } from "lucide-react";
import { type KeyboardEvent, memo, useState } from "react";
import { NavLink, useLocation, useNavigate } from "react-router";
import { type Entry, STAGES } from "../../core/book/entry/index.ts";
import { type StageState, stageStates } from "../../core/stages/overview/index.ts";
import { useKeys } from "../keys/useKeys.ts";
import { STAGE_NAMES } from "../shell/stage-names.ts";
import { moveFocus } from "../ui/arrows.ts";
import { Pop } from "../ui/Pop.tsx";
import { StageMark } from "../ui/StageMark.tsx";

interface Given {
  jobId: string;
  entries: readonly Entry[];
  isSigned: boolean;
}

function OpenCount({ count }: { count: number }) {
  if (count === 0) return null;
  return (
    <span className="figure text-sm">
      <span aria-hidden="true">{count}</span>
      <span className="sr-only">{count} open</span>
    </span>
  );
}

/** The stages as one button with a list, where there is no room for eight: arrows choose, Enter goes. */
function StageList({
  states,
  here,
  onGo,
}: {
  states: StageState[];
  here: StageState;
  onGo: (to: string) => void;
}) {
  const [isOpen, setOpen] = useState(false);
  return (
    <Pop
      trigger={{
        className:
          "my-2 flex min-h-12 items-center gap-2 rounded-md border-2 border-edge bg-sheet px-3 sm:hidden",
        children: (
          <>
            <span className="sr-only">Stage</span>
            <StageMark state={here.state} />
            <span className="font-bold">{STAGE_NAMES[here.stage]}</span>
            <OpenCount count={here.openCount} />
            <ChevronDown className="ml-auto" aria-hidden="true" />
          </>
        ),
      }}
      label="Stages"
      align="start"
      className="z-50 max-h-[80dvh] w-56 overflow-y-auto rounded-md border-2 border-ink bg-sheet p-1"
      isOpen={isOpen}
      onOpenChange={setOpen}
    >
      <ul onKeyDown={(event: KeyboardEvent<HTMLElement>) => moveFocus(event, "button")}>
        {states.map(({ stage, state, openCount }) => (
          <li key={stage}>
            <button
              type="button"
              aria-current={stage === here.stage ? "page" : undefined}
              className="flex min-h-12 w-full items-center gap-2 rounded px-3 text-left aria-[current]:font-bold hover:bg-wash"
              onClick={() => {
                setOpen(false);
                onGo(stage);
              }}
            >
              <StageMark state={state} />
              {STAGE_NAMES[stage]}
              <OpenCount count={openCount} />
            </button>
          </li>
        ))}
      </ul>
    </Pop>
  );
}

/** The eight stages with their state by shape and the count of what is open there. A list to choose from on a phone. */
export const StageStrip = memo(function StageStrip({ jobId, entries, isSigned }: Given) {
  const states = stageStates(entries, isSigned);
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const here = states.find(({ stage }) => pathname.endsWith(`/${stage}`)) ?? (states[0] as StageState);
  const go = (stage: string) => void navigate(`/jobs/${jobId}/${stage}`);
  useKeys(
    "This job",
    STAGES.map((stage, index) => ({
      key: String(index + 1),
      ...(index === 0 ? { shown: "1 to 8", what: "a stage, Ask to Sign" } : {}),
      act: () => go(stage),
    })),
  );
  return (
    <nav
      aria-label="Stages"
      className="tall:sticky top-0 z-20 print:hidden border-rule border-b bg-paper px-5 max-sm:border-b-0 max-sm:pl-0 lg:px-7"
      onKeyDown={(event: KeyboardEvent<HTMLElement>) => moveFocus(event, "a")}
    >
      <StageList states={states} here={here} onGo={go} />
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
              <OpenCount count={openCount} />
            </NavLink>
          </li>
        ))}
      </ol>
    </nav>
  );
});
