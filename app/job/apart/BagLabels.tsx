import { create } from "qrcode";
import { useMemo } from "react";
import { type PlaceOut, placesOut } from "../../../core/book/out/index.ts";
import { Button } from "../../ui/Button.tsx";
import { useJob } from "../stage/context.ts";

const ON_A_PAGE = 6;
const QUIET = 4;

/** A square code that a telephone's camera opens. */
function SquareCode({ text, label }: { text: string; label: string }) {
  const { size, path } = useMemo(() => {
    const { modules } = create(text, { errorCorrectionLevel: "M" });
    const cells: string[] = [];
    for (let row = 0; row < modules.size; row++)
      for (let column = 0; column < modules.size; column++)
        if (modules.get(row, column)) cells.push(`M${column + QUIET} ${row + QUIET}h1v1h-1z`);
    return { size: modules.size + 2 * QUIET, path: cells.join("") };
  }, [text]);
  return (
    <svg
      viewBox={`0 0 ${size} ${size}`}
      role="img"
      aria-label={label}
      className="h-32 w-32 shrink-0 bg-white"
    >
      <path d={path} fill="#000000" shapeRendering="crispEdges" />
    </svg>
  );
}

function Label({ bag: { place, items } }: { bag: PlaceOut }) {
  const { page } = useJob();
  const address = `${window.location.origin}/jobs/${page.job.id}/build?bag=${encodeURIComponent(place)}`;
  return (
    <li className="flex break-inside-avoid gap-3 rounded-md border-2 border-ink bg-sheet p-3 print:h-[88mm]">
      <div className="min-w-0 flex-1">
        <p className="font-bold text-3xl">{place}</p>
        <p className="figure">
          {page.vehicle.plate} · {page.job.number}
        </p>
        <ul className="mt-1 leading-snug">
          {items.slice(0, 8).map((item) => (
            <li key={item.entryId} className="break-words">
              <span className="figure">{item.open}</span> × {item.item}
              {item.where && <span className="text-ink-2">, {item.where}</span>}
            </li>
          ))}
          {items.length > 8 && <li>and {items.length - 8} more</li>}
        </ul>
      </div>
      <SquareCode text={address} label={`Code that opens ${place}`} />
    </li>
  );
}

/** A label for each bag, six to a page; its code opens that bag on Build. */
export function BagLabels() {
  const { entries } = useJob();
  const bags = placesOut(entries).filter(({ isBag }) => isBag);
  if (bags.length === 0)
    return <p className="text-ink-2">No bag is out. What is put into one gets a label here.</p>;
  const pages = Array.from({ length: Math.ceil(bags.length / ON_A_PAGE) }, (_, index) =>
    bags.slice(index * ON_A_PAGE, (index + 1) * ON_A_PAGE),
  );
  return (
    <div className="flex flex-col gap-4">
      <div>
        <Button onClick={() => window.print()}>
          Print {bags.length === 1 ? "the label" : `${bags.length} labels`}
        </Button>
      </div>
      <div data-sheet>
        {pages.map((labels) => (
          <ul
            key={labels[0]?.place}
            className="mb-3 grid gap-3 sm:grid-cols-2 print:mb-0 print:break-after-page print:grid-cols-2 print:last:break-after-auto"
          >
            {labels.map((bag) => (
              <Label key={bag.place} bag={bag} />
            ))}
          </ul>
        ))}
      </div>
    </div>
  );
}
