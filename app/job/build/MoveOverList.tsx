import { dataOf, type MovedHow, MovedOver } from "../../../core/book/facts/index.ts";
import { type MoveOver, moveOver } from "../../../core/state/index.ts";
import { ChipsOne } from "../../ui/Chips.tsx";
import { useJob } from "../stage/context.ts";

const HOW_WORDS: Record<MovedHow, string> = { moved: "moved over", new: "new with it", none: "none here" };
const howOf = (words: string) =>
  (Object.keys(HOW_WORDS) as MovedHow[]).find((how) => HOW_WORDS[how] === words);

function OnePart({ part, rows, left }: MoveOver) {
  const { book, mayBook } = useJob();
  return (
    <section aria-label={`From the old ${part.words}`}>
      <p role="status" className="mb-2 text-lg">
        {left.length === 0 ? (
          <>Nothing is left on the old {part.words}.</>
        ) : (
          <>
            <span className="font-bold">On the old {part.words} still,</span> for all that is known:{" "}
            {left.join(", ")}.
          </>
        )}
      </p>
      <ul className="border-ink border-t-2">
        {rows.map(({ what, how }) => (
          <li key={what} className="flex flex-wrap items-center gap-x-4 gap-y-2 border-rule border-b py-2">
            <span className="min-w-40 flex-1 font-bold">{what}</span>
            <ChipsOne
              label={what}
              isNamedWhole
              isOff={!mayBook}
              options={Object.values(HOW_WORDS)}
              value={how ? HOW_WORDS[how] : ""}
              onChange={(words) => {
                const next = howOf(words);
                if (!next) return;
                book({
                  kind: "note",
                  item: what,
                  text: `${words}, ${part.words}`,
                  data: dataOf(MovedOver, { part: part.entryId, what, how: next }),
                });
              }}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What sits on the old part and is wanted on the new one, in one go before it goes in. */
export function MoveOverList() {
  const { entries } = useJob();
  const parts = moveOver(entries);
  if (parts.length === 0)
    return (
      <p className="text-ink-2">No new radiator, cooler or fan is chosen on Plan: nothing to move over.</p>
    );
  return (
    <div className="flex flex-col gap-5">
      {parts.map((each) => (
        <OnePart key={each.part.entryId} {...each} />
      ))}
    </div>
  );
}
