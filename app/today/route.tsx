import { useMemo } from "react";
import { Link, type ShouldRevalidateFunctionArgs, useLoaderData, useSearchParams } from "react-router";
import { readToday, type TodayRead } from "../../server/books/day/read-today.ts";
import { guarded } from "../desk/guard.server.ts";
import { useMember } from "../desk/member.ts";
import { isOld, keptReading } from "../kept/reading.ts";
import { ButtonLink } from "../ui/Button.tsx";
import { clockOf, dateOf, dayOf, whenOf } from "../ui/dates.ts";
import { useNow } from "../ui/useNow.ts";
import { ByWaits } from "./ByWaits.tsx";
import { DaySheet } from "./DaySheet.tsx";
import { DueLooks } from "./DueLooks.tsx";
import { WAYS, type Way } from "./lanes.ts";
import { Mine } from "./Mine.tsx";
import { Readies } from "./Readies.tsx";
import { useArranging, useCars, useLaidWell } from "./useDay.ts";

/** More than that is read on Watch. */
const MOST_LOOKS = 12;
const LOOK_MS = 30_000;

export const meta = () => [{ title: "Today · Warm Ledger" }];

export const loader = guarded("desk", ({ desk }) => readToday(desk));

export const clientLoader = keptReading<TodayRead>("today/route");

/** Turning the sheet reads nothing anew. */
export function shouldRevalidate(step: ShouldRevalidateFunctionArgs): boolean {
  const isTurned =
    step.formMethod === undefined &&
    step.currentUrl.pathname === step.nextUrl.pathname &&
    step.currentUrl.search !== step.nextUrl.search;
  return isTurned ? false : step.defaultShouldRevalidate;
}

const WAY_NAMES: Record<Way | "waits", string> = {
  people: "By person",
  lifts: "By lift",
  cars: "By car",
  waits: "By what they wait for",
};

/** How the page is ruled: links, so that each has an address. */
function Ways({ way }: { way: Way | "waits" }) {
  return (
    <nav aria-label="How the day is ruled" className="flex flex-wrap gap-x-1">
      {[...WAYS, "waits" as const].map((each) => (
        <Link
          key={each}
          to={each === "people" ? "/" : `/?by=${each}`}
          replace
          aria-current={each === way ? "page" : undefined}
          className={`inline-flex min-h-12 items-center border-b-4 px-3 ${each === "lifts" || each === "cars" ? "max-md:hidden" : ""} ${each === way ? "border-ink font-bold" : "border-transparent text-ink-2 hover:bg-wash"}`}
        >
          {WAY_NAMES[each]}
        </Link>
      ))}
    </nav>
  );
}

/** The day: what everybody does when, so that one car's waiting is another's work. */
export default function Today() {
  const today = useLoaderData<typeof loader>() as TodayRead;
  const { slips, looks, laid, hands, names } = today;
  const { timeZone, shopName } = useMember();
  const [search] = useSearchParams();
  const asked = search.get("by");
  const way = WAYS.find((each) => each === asked) ?? (asked === "waits" ? "waits" : "people");
  const nowMs = useNow(true, LOOK_MS);
  const cars = useCars(today);
  const arranging = useArranging(today);
  useLaidWell(laid);
  const people = useMemo(() => hands.map((id) => ({ id, name: names[id] ?? "somebody" })), [hands, names]);
  const isThisDay = dayOf(laid.opensAt, timeZone) === dayOf(new Date(nowMs).toISOString(), timeZone);
  return (
    <main id="work" className="p-5 lg:p-7">
      <header className="mb-3 flex flex-wrap items-end justify-between gap-4">
        <div>
          <h1 className="text-3xl">Today</h1>
          <p className="text-ink-2">
            {shopName} · {!isThisDay && "closed now; laid for "}
            {dayOf(laid.opensAt, timeZone)} · {slips.length === 1 ? "one job" : `${slips.length} jobs`} in
            hand
            {isOld("today/route") && ` · as it was laid at ${whenOf(laid.laidAt, timeZone, nowMs)}`}
          </p>
        </div>
        <ButtonLink to="/vehicles" weight="main" data-next>
          Open a job
        </ButtonLink>
      </header>
      <Ways way={way} />
      {arranging.gaveWay && (
        <p className="mt-3 border-ink border-l-4 bg-sheet py-2 pl-3">{arranging.gaveWay.join(" ")}</p>
      )}
      {slips.length === 0 && (
        <p className="mt-6">
          No job is open. Find the vehicle first, then open a job on it. Today is{" "}
          {dateOf(new Date(nowMs).toISOString(), timeZone)}.
        </p>
      )}
      {way === "waits" ? (
        <div className="mt-3">
          <ByWaits slips={slips} now={nowMs} />
        </div>
      ) : (
        <>
          <div className="mt-3 md:hidden">
            <Mine today={today} cars={cars} nowMs={nowMs} />
          </div>
          <div className="mt-3 max-md:hidden">
            <DaySheet
              way={way}
              today={today}
              cars={cars}
              people={people}
              arranging={arranging}
              nowMs={nowMs}
            />
            <p className="mt-1 text-ink-2 text-sm">
              Drag a slip, or press Shift and an arrow on it, to hold it to a time or a person. The rest is
              laid round it. Open from {clockOf(laid.opensAt, timeZone)} to {clockOf(laid.closesAt, timeZone)}
              .
            </p>
          </div>
        </>
      )}
      <div className="mt-6 grid items-start gap-x-8 gap-y-6 xl:grid-cols-[minmax(0,1fr)_22rem]">
        {slips.length > 0 && <Readies today={today} cars={cars} arranging={arranging} />}
        <aside aria-labelledby="second-looks">
          <h2 id="second-looks" className="mb-1 text-xl">
            Second looks
          </h2>
          {looks.length === 0 ? (
            <p className="text-ink-2">None is promised for this week. Signing a job promises them.</p>
          ) : (
            <>
              <DueLooks looks={looks.slice(0, MOST_LOOKS)} />
              {looks.length > MOST_LOOKS && (
                <Link to="/watch" className="inline-flex min-h-12 items-center underline underline-offset-4">
                  and {looks.length - MOST_LOOKS} more, on Watch
                </Link>
              )}
            </>
          )}
        </aside>
      </div>
    </main>
  );
}
