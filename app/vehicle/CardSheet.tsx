import type { System } from "../../core/kernel/units/index.ts";
import { type CoolingCard, cardRows } from "../../core/trade/car/index.ts";

/** The card as on the inside of a bonnet. */
export function CardSheet({ card, system }: { card: CoolingCard | null; system: System }) {
  return (
    <section aria-labelledby="card" className="self-start rounded-lg border-2 border-ink bg-sheet p-5">
      <h2 id="card" className="mb-2 text-2xl">
        Cooling card
      </h2>
      {!card ? (
        <p>No card yet. Logs can't be judged without one.</p>
      ) : (
        <dl className="md:max-xl:columns-2 md:max-xl:gap-8">
          {cardRows(card, system).map(({ name, lines }) => (
            <div
              key={name}
              className="flex break-inside-avoid items-baseline justify-between gap-4 border-rule border-b py-2"
            >
              <dt className="shrink-0 text-ink-2">{name}</dt>
              <dd className="whitespace-pre-line text-right font-bold">{lines.join("\n")}</dd>
            </div>
          ))}
        </dl>
      )}
    </section>
  );
}
