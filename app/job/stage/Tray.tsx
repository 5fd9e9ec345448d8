import { type Entry } from "../../../core/book/entry/index.ts";
import { type OutEntry, placesOut, thing } from "../../../core/book/out/index.ts";
import { OutMark } from "../../ui/OutIn.tsx";

/** A bench holds no more than this; what is beyond stands in the list of what is open. */
const MOST_PLACES = 60;

const nameOf = (item: OutEntry) =>
  item.account === "connector" || item.account === "hose" ? thing(item) : item.item;

/**
 * Bags as they'd lie on the bench, each with what is in it, where that came from and what holds it up; what has no bag
 * lies beside them. Fills as things come off, empties as they go back.
 */
export function Tray({ entries }: { entries: readonly Entry[] }) {
  const places = placesOut(entries);
  if (places.length === 0) return <p className="text-ink-2">Nothing is out.</p>;
  return (
    <ul className="grid gap-3 sm:grid-cols-2 xl:grid-cols-3">
      {places.slice(0, MOST_PLACES).map(({ place, isBag, items, behind }) => (
        <li
          key={place}
          className={`rounded-b-xl border-2 border-edge border-t-[6px] bg-sheet px-4 py-2 ${isBag ? "border-t-ink" : ""}`}
        >
          <p className="font-bold">{place}</p>
          {behind.length > 0 && <p className="text-ink-2">after the {behind.join(", the ")}</p>}
          {items.slice(0, MOST_PLACES).map((item) => (
            <p key={item.entryId} className="flex items-center justify-between gap-2 text-out">
              <span className="min-w-0 break-words text-ink">
                {nameOf(item)}
                {item.where && <span className="text-ink-2"> {item.where}</span>}
              </span>
              <span className="figure whitespace-nowrap">
                <OutMark /> {item.open}
              </span>
            </p>
          ))}
        </li>
      ))}
    </ul>
  );
}
