import { chosePart } from "../../../core/book/acts/index.ts";
import { findingOf } from "../../../core/state/index.ts";
import type { ShelfItem } from "../../../core/trade/shelf/index.ts";
import { type Grade } from "../../../core/trade/sourcing/index.ts";
import { useMember } from "../../desk/member.ts";
import { Button } from "../../ui/Button.tsx";
import { moneyOf } from "../../ui/money.ts";
import { useJob } from "../stage/context.ts";

const MOST = 8;

/** Parts that the shop has on its shelf, each chosen in one tap with its price and guarantee. */
export function FromShelf({ shelf, named }: { shelf: readonly ShelfItem[]; named: string }) {
  const { entries, book, mayBook } = useJob();
  const { currency } = useMember();
  const wanted = named.trim().toLowerCase();
  const found = findingOf(entries)?.words.toLowerCase() ?? "";
  const isMeant = ({ item }: ShelfItem) => found.includes(item.toLowerCase());
  const rows = shelf
    .filter(({ item }) => item.toLowerCase().includes(wanted))
    .sort((a, b) => Number(isMeant(b)) - Number(isMeant(a)));
  if (rows.length === 0) return null;
  return (
    <div>
      <p className="mb-1 font-bold">From the shelf</p>
      <ul className="flex flex-wrap gap-2">
        {rows.slice(0, MOST).map(({ item, grade, supplier, priceCents, days, partDays, labourDays }) => (
          <li key={`${item} ${grade} ${supplier}`}>
            <Button
              className="px-3 text-left"
              disabled={!mayBook}
              onClick={() =>
                book(
                  chosePart({
                    item,
                    grade: grade as Grade,
                    supplier,
                    priceCents,
                    guarantee: { partDays, labourDays },
                  }),
                )
              }
            >
              <span>
                {item}, {grade}
                <span className="block font-normal text-ink-2">
                  {supplier}, {moneyOf(priceCents, currency)}, {days === 0 ? "here" : `${days} d`}
                </span>
              </span>
            </Button>
          </li>
        ))}
      </ul>
      {rows.length > MOST && (
        <p className="mt-1 text-ink-2">and {rows.length - MOST} more: name the part to see them.</p>
      )}
    </div>
  );
}
