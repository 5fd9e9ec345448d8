import { Pin } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import type { TodayRead } from "../../server/books/day/read-today.ts";
import { useMember } from "../desk/member.ts";
import { clockOf } from "../ui/dates.ts";
import { HoldForm } from "./HoldForm.tsx";
import type { Stay } from "./lanes.ts";
import { type DayCar, holdOf, lostHoldOf, type useArranging } from "./useDay.ts";

/** What is done while somebody is at a car: each piece with its time, where it is done, and what holds it. */
export function StaySheet({
  stay,
  car,
  today,
  people,
  arranging,
  onDone,
}: {
  stay: Stay;
  car: DayCar;
  today: TodayRead;
  people: readonly { id: string; name: string }[];
  arranging: ReturnType<typeof useArranging>;
  onDone: () => void;
}) {
  const { timeZone } = useMember();
  const { names, holds, laid } = today;
  const [open, setOpen] = useState<string>();
  const isLook = car.pieces.has("look");
  return (
    <div className="flex flex-col gap-3">
      <p className="flex flex-wrap items-baseline justify-between gap-x-4">
        <span className="figure font-bold text-xl">{car.plate}</span>
        <span className="text-ink-2">{car.vehicle}</span>
      </p>
      <ul className="flex flex-col">
        {stay.slips.map((slip) => {
          const piece = car.pieces.get(slip.piece);
          const hold = holdOf(holds, slip);
          const lost = lostHoldOf(laid, slip);
          return (
            <li key={slip.piece} className="flex flex-col gap-2 border-rule border-t py-2">
              <div className="flex items-start justify-between gap-3">
                <Link to={car.to(slip.piece)} className="min-h-12 flex-1 underline underline-offset-4">
                  <span className="figure mr-2">{clockOf(slip.from, timeZone)}</span>
                  {piece?.what ?? slip.piece}
                </Link>
                {!isLook && (
                  <button
                    type="button"
                    className="min-h-12 shrink-0 rounded-md border border-edge px-3 text-sm hover:bg-wash"
                    aria-expanded={open === slip.piece}
                    onClick={() => setOpen(open === slip.piece ? undefined : slip.piece)}
                  >
                    {hold ? "Held" : "Hold"}
                  </button>
                )}
              </div>
              <p className="text-ink-2 text-sm">
                {[
                  `${piece?.minutes ?? 0} min`,
                  slip.people.map((id) => names[id] ?? "somebody").join(" and "),
                  slip.lift ? `lift ${slip.lift}` : "",
                  piece?.rest ? `then ${piece.rest.words}, ${piece.rest.minutes} min` : "",
                ]
                  .filter(Boolean)
                  .join(" · ")}
              </p>
              {hold && (
                <p className="flex items-center gap-2 text-sm">
                  <Pin size={16} aria-hidden="true" />
                  held {hold.personId ? `to ${names[hold.personId] ?? "somebody"}` : ""}
                  {hold.at ? ` at ${clockOf(hold.at, timeZone)}` : ""}, by {names[hold.heldBy] ?? "somebody"}
                  {lost && `; it isn't kept: ${lost}`}
                </p>
              )}
              {open === slip.piece && (
                <HoldForm
                  slip={slip}
                  hold={hold}
                  day={laid.day}
                  people={people}
                  arranging={arranging}
                  onDone={onDone}
                />
              )}
            </li>
          );
        })}
      </ul>
    </div>
  );
}
