import { useState } from "react";
import { toldOwner } from "../../../core/book/acts/index.ts";
import { standing } from "../../../core/book/entry/index.ts";
import { inShownTemperatures } from "../../../core/kernel/units/index.ts";
import { customerText, type VerdictOffer } from "../../../core/stages/find/index.ts";
import { cautionsOfRepair, REPAIRS } from "../../../core/trade/diagnosis/knowledge/index.ts";
import { Button } from "../../ui/Button.tsx";
import { useRest } from "../../ui/useRest.ts";
import { useJob } from "../stage/context.ts";
import { FoldOfJob } from "../stage/Fold.tsx";
import type { KnownFind } from "./belief/useFind.ts";
import { useCardFocus } from "./useCardFocus.ts";

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** "Nothing wrong" in writing, for the owner. */
export function ForTheOwner({ find }: { find: KnownFind }) {
  const { entries, page, system, book, mayBook } = useJob();
  const text = customerText(find.state, entries, page.card, system);
  const isBooked = standing(entries).some((entry) => entry.item === "for the owner" && entry.text === text);
  const [isCopied, setCopied] = useState(false);
  return (
    <section
      aria-labelledby="owner"
      className="flex flex-col gap-2 rounded-md border-2 border-edge bg-sheet p-4"
    >
      <h3 id="owner" className="font-bold text-lg">
        For the owner
      </h3>
      <p className="whitespace-pre-line">{text}</p>
      <div className="flex flex-wrap gap-2">
        <Button disabled={!mayBook || isBooked} onClick={() => book(toldOwner(text))}>
          {isBooked ? "In the book" : "Put it in the book"}
        </Button>
        <Button
          onClick={() =>
            navigator.clipboard?.writeText(text).then(
              () => setCopied(true),
              () => setCopied(false),
            )
          }
        >
          {isCopied ? "Copied" : "Copy it"}
        </Button>
      </div>
    </section>
  );
}

/** The verdict, offered when more testing costs more than it saves. */
export function VerdictCard({
  find,
  offer,
  onTestOn,
}: {
  find: KnownFind;
  offer: VerdictOffer;
  onTestOn?: () => void;
}) {
  const { decide, tried, isThinking, mayBook, finding } = find;
  const { system } = useJob();
  const { card, heading } = useCardFocus(false);
  const { repair, kind } = offer;
  // It comes up where the last test's answer was tapped, and the next suspect where this one was ruled out.
  const isResting = useRest(repair.id) || isThinking;
  const known = REPAIRS.find(({ id }) => id === offer.repair.id);
  const cautions = known ? cautionsOfRepair(known) : [];
  const isSound = offer.hypothesis === "nothing-wrong";
  const isSaid = finding?.words.toLowerCase() === offer.name.toLowerCase();
  return (
    <section ref={card} aria-labelledby="verdict" className="flex flex-col gap-3">
      <p className="text-ink-2">
        {kind === "proven" ? "The verdict" : isSound ? "The likeliest" : "Cheapest now: try it"}
      </p>
      <h3 id="verdict" ref={heading} tabIndex={-1} className="text-2xl" data-rests={isResting || undefined}>
        {capital(offer.name)}
      </h3>
      <p>
        <span className="figure font-bold text-5xl">{Math.round(repair.mends * 100)}</span>
        <span className="ml-2 text-ink-2">
          {isSound ? "% sure" : `% sure that “${repair.name.toLowerCase()}” puts it right`}
        </span>
      </p>
      <p>{offer.because}</p>
      <div className="flex flex-wrap gap-2">
        <Button
          weight="main"
          className="min-h-14"
          disabled={!mayBook || isSaid}
          isResting={isResting}
          onClick={() => decide(offer.hypothesis, capital(offer.name))}
        >
          {isSaid ? "It is in the book" : isSound ? "Nothing wrong: book it" : "This is the fault: book it"}
        </Button>
        {!isSound && (
          <Button
            className="min-h-14"
            disabled={!mayBook}
            isResting={isResting}
            onClick={() => tried(repair.id, repair.name)}
          >
            Tried it: the trouble stayed
          </Button>
        )}
        {onTestOn && (
          <Button className="min-h-14" isResting={isResting} onClick={onTestOn}>
            Test on anyway
          </Button>
        )}
      </div>
      {cautions.length > 0 && (
        <FoldOfJob name="What can hurt in this repair" says={`${cautions.length} cautions`} folds="always">
          <ul role="note" className="border-ink border-l-[6px] bg-wash py-1.5 pr-2 pl-3 leading-snug">
            {cautions.map((caution) => (
              <li key={caution} className="font-bold">
                {inShownTemperatures(caution, system)}
              </li>
            ))}
          </ul>
        </FoldOfJob>
      )}
      {isSound && <ForTheOwner find={find} />}
    </section>
  );
}
