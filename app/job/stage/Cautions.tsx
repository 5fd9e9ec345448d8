import { useContext } from "react";
import { readCaution } from "../../../core/book/acts/index.ts";
import { CautionRead, factsOf } from "../../../core/book/facts/index.ts";
import { inShownTemperatures } from "../../../core/kernel/units/index.ts";
import { useMember } from "../../desk/member.ts";
import { Button } from "../../ui/Button.tsx";
import { InHandHere } from "../hand/hand-context.ts";
import { useJob } from "./context.ts";
import { sayTick } from "./tick-id.ts";

/** Hazards, shown where they are, one after another; tapping books that it was read, once a job and person. */
export function Cautions({ texts }: { texts: readonly string[] }) {
  const { page, entries, system, book, mayBook } = useJob();
  const { personId } = useMember();
  // Who reads it knows of it; nobody else does.
  const read = new Set(
    factsOf(entries, CautionRead).flatMap(({ entry }) => (entry.by === personId ? [entry.text] : [])),
  );
  // What stands at the act in hand already is not said again behind it.
  const inHand = useContext(InHandHere);
  const unread = texts.filter((text) => !read.has(text) && text !== inHand?.caution);
  const [first] = unread;
  if (!first) return null;
  return (
    <div
      role="note"
      className="flex flex-wrap items-center gap-x-4 gap-y-1 border-ink border-l-[6px] bg-wash py-1.5 pr-2 pl-4"
    >
      <p className="min-w-40 flex-1 font-bold leading-snug max-sm:text-sm">
        {inShownTemperatures(first, system)}
      </p>
      {mayBook && (
        <Button
          className="shrink-0 px-4 max-sm:px-3"
          onClick={() =>
            book(readCaution(first), [
              sayTick(
                page.job.id,
                entries,
                `caution:${personId}:${first}`,
                ({ kind, text, by }) => kind === "caution" && text === first && by === personId,
              ),
            ])
          }
        >
          I have read it
        </Button>
      )}
    </div>
  );
}
