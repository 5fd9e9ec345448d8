import { Link } from "react-router";
import type { DaySlip } from "../../core/stages/day/index.ts";
import type { TodayRead } from "../../server/books/day/read-today.ts";
import { useMember } from "../desk/member.ts";
import { clockOf } from "../ui/dates.ts";
import type { DayCar } from "./useDay.ts";

const MINUTE_MS = 60_000;

/** How a slip stands to now: it is on, it should have begun, or it comes. */
export function standsAs({ from, until }: DaySlip, nowMs: number): "now" | "late" | "later" {
  if (Date.parse(from) > nowMs) return "later";
  return Date.parse(until) > nowMs ? "now" : "late";
}

function whenWords(slip: DaySlip, nowMs: number, timeZone: string): string {
  const begins = Math.round((Date.parse(slip.from) - nowMs) / MINUTE_MS);
  if (begins > 0) return begins < 60 ? `in ${begins} min` : `at ${clockOf(slip.from, timeZone)}`;
  return begins > -2 ? "now" : `since ${clockOf(slip.from, timeZone)}`;
}

/** One person's day across the cars: what is now, what is next, what comes later. */
export function Mine({
  today,
  cars,
  nowMs,
}: {
  today: TodayRead;
  cars: ReadonlyMap<string, DayCar>;
  nowMs: number;
}) {
  const { personId, timeZone } = useMember();
  const own = today.laid.slips
    .filter(({ people }) => people.includes(personId))
    .sort((a, b) => (a.from < b.from ? -1 : 1));
  if (!today.hands.includes(personId))
    return <p className="text-ink-2">You aren't down for work at the cars; whoever is has it here.</p>;
  if (own.length === 0) return <p>Nothing is laid for you. Whatever you begin is laid round.</p>;
  const [now, next, ...later] = own;
  const row = (slip: DaySlip | undefined, name: string, isLarge: boolean) => {
    const car = slip && cars.get(slip.jobId);
    if (!slip || !car) return null;
    const piece = car.pieces.get(slip.piece);
    return (
      <li key={`${slip.jobId} ${slip.piece}`} className="border-edge border-b">
        <Link
          to={car.to(slip.piece)}
          data-next={isLarge ? "" : undefined}
          className={`grid min-h-14 grid-cols-[4.5rem_minmax(0,1fr)] items-baseline gap-x-3 py-3 hover:bg-wash ${isLarge ? "border-ink border-l-4 bg-sheet pl-3" : ""}`}
        >
          <span className="text-ink-2">{name}</span>
          <span>
            <span className={`figure mr-2 font-bold ${isLarge ? "text-2xl" : ""}`}>{car.plate}</span>
            <span className="text-ink-2">
              {whenWords(slip, nowMs, timeZone)}, {piece?.minutes ?? 0} min
              {slip.lift ? `, lift ${slip.lift}` : ""}
              {slip.people.length > 1 ? ", two people" : ""}
            </span>
            <span className={`block ${isLarge ? "text-lg" : ""}`}>{piece?.what ?? slip.piece}</span>
          </span>
        </Link>
      </li>
    );
  };
  return (
    <ol aria-label="Mine" className="border-ink border-t-2">
      {row(now, now && standsAs(now, nowMs) === "later" ? "next" : "now", true)}
      {row(next, "next", false)}
      {later.map((slip) => row(slip, "later", false))}
    </ol>
  );
}
