import { thing } from "../../../core/book/out/index.ts";
import { type Doubled, doubled } from "../../../core/state/index.ts";
import type { JobContext } from "../stage/context.ts";

const MOST_SHOWN = 2;

function Twice({
  found: { item, place, lines },
  names,
  onStrike,
}: {
  found: Doubled;
  names: Readonly<Record<string, string>>;
  onStrike: (seq: number) => void;
}) {
  return (
    <li className="flex flex-wrap items-center gap-x-3">
      <span className="font-bold">{thing({ item, place })}:</span>
      {lines.map(({ id, seq, by }) => (
        <button
          key={id}
          type="button"
          className="min-h-11 underline underline-offset-4"
          onClick={() => onStrike(seq)}
        >
          line {seq}, {(names[by] ?? "somebody").split(" ")[0]}
        </button>
      ))}
    </li>
  );
}

/** What two people wrote each for themselves, and may have meant once: whoever knows strikes one. */
export function TwiceInBook({
  context: { entries, page },
  onStrike,
}: {
  context: JobContext;
  onStrike: (seq: number) => void;
}) {
  // Whoever signed has seen it, and the book beneath a signature asks nothing more.
  const found = page.job.signedAt ? [] : doubled(entries);
  if (found.length === 0) return null;
  return (
    <section aria-label="Written by two" className="border-rule border-t px-5 py-2">
      <h3 className="leading-snug">
        <span className="font-bold">Out twice, by two people?</span> Tap the line that is too many.
      </h3>
      <ul>
        {found.slice(0, MOST_SHOWN).map((each) => (
          <Twice key={each.lines[0]?.id} found={each} names={page.names} onStrike={onStrike} />
        ))}
      </ul>
      {found.length > MOST_SHOWN && <p className="text-ink-2">and {found.length - MOST_SHOWN} more</p>}
    </section>
  );
}
