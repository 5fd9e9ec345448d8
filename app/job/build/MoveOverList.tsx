import { movedOver } from "../../../core/book/acts/index.ts";
import { MOVED_HOW, MOVED_WORDS, type MovedHow } from "../../../core/book/facts/index.ts";
import { type MoveOver, moveOver } from "../../../core/state/index.ts";
import { ChipsOne } from "../../ui/Chips.tsx";
import { useJob } from "../stage/context.ts";

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
              options={MOVED_HOW}
              words={MOVED_WORDS}
              value={how ?? ""}
              onChange={(next) => next && book(movedOver(part, what, next as MovedHow))}
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
