import type { System } from "../../core/kernel/units/index.ts";
import { CARD_FIELDS, cardWords } from "../../core/trade/car/index.ts";
import type { CardChanged } from "../../server/cards/read-card-changes.ts";
import { dayOf } from "../ui/dates.ts";

/** Who changed what on the card, newest first. */
export function CardChanges({
  changes,
  timeZone,
  system,
}: {
  changes: CardChanged[];
  timeZone: string;
  system: System;
}) {
  if (changes.length === 0) return null;
  return (
    <details className="mt-3">
      <summary className="min-h-12 py-3 font-bold">
        {changes.length === 1 ? "One change" : `${changes.length} changes`}
      </summary>
      <ul>
        {changes.map(({ at, by, job, changes: fields }) => (
          <li key={at} className="border-rule border-b py-2">
            <span className="text-ink-2">
              {dayOf(at, timeZone)} {by ?? "somebody"}
              {job !== undefined && `, settled in job ${job}`}
            </span>
            {fields.map(({ field, from, to }) => (
              <p key={field}>
                {CARD_FIELDS[field]?.said ?? field}: {cardWords(field, from, system)} →{" "}
                <span className="font-bold">{cardWords(field, to, system)}</span>
              </p>
            ))}
          </li>
        ))}
      </ul>
    </details>
  );
}
