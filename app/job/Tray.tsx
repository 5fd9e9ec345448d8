import { type BalanceLine, thing } from "../../core/ledger/index.ts";
import { OutMark } from "../ui/OutIn.tsx";

/** A bench holds no more than this; what is beyond stands in the list of what is open. */
const MOST_PLACES = 60;

/** Bags as they'd lie on the bench, each with what is in it; what has no bag lies beside them. Empties as things go back. */
export function Tray({ lines }: { lines: BalanceLine[] }) {
  const byPlace = new Map<string, BalanceLine[]>();
  for (const line of lines) {
    const place = line.place || "on its own";
    byPlace.set(place, [...(byPlace.get(place) ?? []), line]);
  }
  if (lines.length === 0) return <p className="text-ink-2">Nothing is out.</p>;
  return (
    <ul className="grid gap-3 sm:grid-cols-2 xl:grid-cols-3">
      {[...byPlace].slice(0, MOST_PLACES).map(([place, here]) => (
        <li
          key={place}
          className={`rounded-b-xl border-2 border-edge border-t-[6px] bg-sheet px-4 py-2 ${place.startsWith("bag") ? "border-t-ink" : ""}`}
        >
          <p className="font-bold">{place}</p>
          {here.slice(0, MOST_PLACES).map((line) => (
            <p key={line.account + line.item} className="flex items-center justify-between text-out">
              <span className="text-ink">
                {line.account === "connector" || line.account === "hose" ? thing(line) : line.item}
              </span>
              <span className="figure whitespace-nowrap">
                <OutMark /> {line.open}
              </span>
            </p>
          ))}
        </li>
      ))}
    </ul>
  );
}
