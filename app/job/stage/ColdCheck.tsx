import { useContext } from "react";
import { sawLevel } from "../../../core/book/acts/index.ts";
import { openItems } from "../../../core/state/index.ts";
import { Button } from "../../ui/Button.tsx";
import { InHandHere } from "../hand/hand-context.ts";
import { useJob } from "./context.ts";

const MARKS = [
  { label: "Cold, at the line", level: "line" },
  { label: "Cold, at the minimum", level: "min" },
  { label: "Cold, below the minimum", level: "low" },
] as const;

/** The last look after any pour: cold, cap off, level at the line. */
export function ColdCheck() {
  const { entries, book, mayBook } = useJob();
  const isDue = openItems(entries).some(({ about }) => about === "cold-check" || about === "level");
  const inHand = useContext(InHandHere);
  // Once is enough: where it is what is in hand it stands first on the page.
  if (inHand?.id === "prove:cold") return <p>It is what is in hand, first on this page.</p>;
  if (!isDue) return <p className="text-ink-2">Not owed now: nothing was poured since it was seen cold.</p>;
  return (
    <section
      aria-labelledby="cold"
      className="flex flex-wrap items-center gap-4 rounded-md border-2 border-edge bg-sheet p-4"
    >
      <div className="min-w-56 flex-1">
        <h3 id="cold" className="font-bold text-lg">
          Level and cap, cold
        </h3>
        <p className="text-ink-2">After every pour: let it go cold, open the cap, look.</p>
      </div>
      {MARKS.map(({ label, level }) => (
        <Button
          key={level}
          disabled={!mayBook}
          onClick={() => book({ ...sawLevel(level, "cold"), stage: "prove" })}
        >
          {label}
        </Button>
      ))}
    </section>
  );
}
