import { useEffect, useRef } from "react";
import { Link } from "react-router";
import { inShownTemperatures } from "../../../core/kernel/units/index.ts";
import type { Act, Next } from "../../../core/stages/next/index.ts";
import { STAGE_NAMES } from "../../shell/stage-names.ts";
import { Button } from "../../ui/Button.tsx";
import { useHadFocus } from "../../ui/useHadFocus.ts";
import { Cap } from "../cap/Cap.tsx";
import { useEngine } from "../cap/useEngine.ts";
import { Cautions } from "../stage/Cautions.tsx";
import { useJob } from "../stage/context.ts";
import { Beside, isAnythingBeside } from "./Beside.tsx";
import { HandField } from "./HandField.tsx";
import { type useBooking } from "./useBooking.ts";

const MINUTE_MS = 60_000;
/** Whether a cap may be opened has a surface of its own. */
export const CAP = "cap";
/** From here on nobody counts in minutes. */
const HOURS_FROM_MIN = 90;
const SOON_LATE_MIN = 24 * 60;

function lateWords(dueSince: string, nowMs: number): string {
  const minutes = Math.floor((nowMs - Date.parse(dueSince)) / MINUTE_MS);
  if (minutes < 1) return "due now";
  if (minutes < HOURS_FROM_MIN) return `${minutes} min late`;
  return minutes < SOON_LATE_MIN ? `${Math.round(minutes / 60)} h late` : "late since another day";
}

/** What is known beside the order: how far, how late, how long, with what. */
function besideWords({ where, dueSince, until, minutes, needs }: Act, nowMs: number): string[] {
  const left = until ? Math.ceil((Date.parse(until) - nowMs) / MINUTE_MS) : undefined;
  return [
    where ?? "",
    dueSince ? lateWords(dueSince, nowMs) : "",
    left !== undefined ? `${left} min to go` : minutes ? `${minutes} min` : "",
    needs.people === 2 ? "two people" : "",
    ...needs.tools,
  ].filter(Boolean);
}

/** The column beside is there before what stands in it: a page that comes slowly moves nothing. */
const columnsOf = (next: Next, isNarrow: boolean) =>
  !isAnythingBeside(next)
    ? ""
    : isNarrow
      ? "lg:grid lg:grid-cols-[minmax(0,1fr)_12rem]"
      : "lg:grid lg:grid-cols-[minmax(0,1fr)_18rem]";

interface Given {
  act: Act;
  next: Next;
  nowMs: number;
  booking: ReturnType<typeof useBooking>;
  /** It may be booked here; else only gone to. */
  isHere: boolean;
  isResting: boolean;
}

/** The one thing in hand: what, why, its caution, its booking; beside it what waits and what comes then. */
export function InHand({ act, next, nowMs, booking, isHere, isResting }: Given) {
  const { page, system, mayBook } = useJob();
  const heading = useRef<HTMLHeadingElement>(null);
  const part = useRef<HTMLElement>(null);
  const last = useRef(act.id);
  const isAtIt = useHadFocus(part);
  // Whoever books it here is taken on to the next: never to the opposite act, never to nowhere.
  useEffect(() => {
    if (last.current === act.id) return;
    last.current = act.id;
    if (isAtIt.current) heading.current?.focus();
  }, [act.id, isAtIt]);
  const { id, what, why, field, choices, caution, stage } = act;
  const facts = besideWords(act, nowMs);
  const isCap = id === CAP;
  const isNarrow = isCap || field !== undefined;
  return (
    <section
      ref={part}
      aria-labelledby="in-hand"
      data-in-hand={id}
      className={`flex flex-col gap-x-8 gap-y-3 rounded-md border-2 border-ink bg-sheet p-3 sm:p-4 ${columnsOf(next, isNarrow)}`}
    >
      <div className="flex min-w-0 flex-1 flex-col gap-2">
        <p className="text-ink-2">
          In hand{facts.length > 0 && <span className="figure">{` · ${facts.join(" · ")}`}</span>}
        </p>
        <h3 ref={heading} id="in-hand" tabIndex={-1} className="text-2xl leading-snug max-sm:text-xl">
          {inShownTemperatures(what, system)}
        </h3>
        {!isCap && <p className="leading-snug">{inShownTemperatures(why, system)}</p>}
        {caution && <Cautions texts={[caution]} />}
        {isCap ? (
          // One door to it everywhere: it asks in which degrees, and at which place.
          <CapNow />
        ) : isHere ? (
          <>
            {field && (
              <HandField
                field={field}
                booking={booking}
                onEnter={() => choices[0] && !act.mustChoose && booking.take(choices[0])}
              />
            )}
            {choices.length > 0 && (
              <div className="flex flex-wrap gap-3">
                {choices.map((choice) => (
                  <Button
                    key={choice.id}
                    data-choice
                    isResting={isResting}
                    disabled={!mayBook}
                    onClick={() => booking.take(choice)}
                  >
                    {choice.words}
                  </Button>
                ))}
              </div>
            )}
          </>
        ) : (
          <p>
            <Link className="underline underline-offset-4" to={`/jobs/${page.job.id}/${stage}`}>
              It stands on {STAGE_NAMES[stage]}
            </Link>
          </p>
        )}
      </div>
      <Beside next={next} nowMs={nowMs} />
    </section>
  );
}

function CapNow() {
  return <Cap engine={useEngine().engine} isBare />;
}

/** Nothing can be done now: what it waits for, and until when. */
export function NothingInHand({ next, nowMs }: { next: Next; nowMs: number }) {
  if (next.waiting.length === 0) return null;
  return (
    <section
      aria-labelledby="in-hand"
      className={`flex flex-col gap-x-8 gap-y-3 rounded-md border-2 border-edge bg-sheet p-3 sm:p-4 ${columnsOf(next, false)}`}
    >
      <h3 id="in-hand" className="flex-1 text-2xl leading-snug">
        Nothing to do here now: it waits.
      </h3>
      <Beside next={next} nowMs={nowMs} />
    </section>
  );
}
