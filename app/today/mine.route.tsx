import { Link, useLoaderData } from "react-router";
import { readToday, type TodayRead } from "../../server/books/day/read-today.ts";
import { guarded } from "../desk/guard.server.ts";
import { useMember } from "../desk/member.ts";
import { isOld, keptReading } from "../kept/reading.ts";
import { dayOf, whenOf } from "../ui/dates.ts";
import { useNow } from "../ui/useNow.ts";
import { Mine } from "./Mine.tsx";
import { Sound } from "./Sound.tsx";
import { useCars, useLaidWell } from "./useDay.ts";

const LOOK_MS = 30_000;

export const meta = () => [{ title: "Mine · Warm Ledger" }];

export const loader = guarded("desk", ({ desk }) => readToday(desk));

export const clientLoader = keptReading<TodayRead>("today/mine.route");

/** What is mine now, next and later, across the cars. */
export default function MinePage() {
  const today = useLoaderData<typeof loader>() as TodayRead;
  const { timeZone, name } = useMember();
  const nowMs = useNow(true, LOOK_MS);
  const cars = useCars(today);
  useLaidWell(today.laid);
  return (
    <main id="work" className="max-w-3xl p-5 lg:p-7">
      <h1 className="text-3xl">Mine</h1>
      <p className="mb-4 text-ink-2">
        {name} · {dayOf(today.laid.opensAt, timeZone)}
        {isOld("today/mine.route") && ` · as it was laid at ${whenOf(today.laid.laidAt, timeZone, nowMs)}`}
      </p>
      <Mine today={today} cars={cars} nowMs={nowMs} />
      <div className="mt-6 flex flex-wrap items-center justify-between gap-4">
        <Link to="/" className="inline-flex min-h-12 items-center underline underline-offset-4">
          Everybody's day
        </Link>
        <Sound />
      </div>
    </main>
  );
}
