import { useState } from "react";
import { FEWEST_GONE, halfGoneAfter, type PartSpan } from "../../core/stages/earlier-jobs/index.ts";
import { compareGrades } from "../../core/trade/lifetimes/index.ts";
import { ChipsOne } from "../ui/Chips.tsx";
import { goneOf, type Kind, SurvivalCurves, span } from "./SurvivalCurves.tsx";

/** Of lives as far apart as these, one in twenty comes about by chance. */
const UNLIKE = 0.05;
/** Lives are told apart by what was bought, or by who sold it. */
const TOLD_BY = ["grade", "supplier"] as const;
type ToldBy = (typeof TOLD_BY)[number];

/** What is known of one grade, in words. */
function Said({ grade, lives }: Kind) {
  const gone = goneOf(lives);
  const half = halfGoneAfter(lives);
  const words =
    gone < FEWEST_GONE
      ? `${gone} of ${lives.length} gone: too few to say how long they last.`
      : half === undefined
        ? `${gone} of ${lives.length} gone; more than half outlast what was seen.`
        : `${gone} of ${lives.length} gone; half of them by ${span(half)}.`;
  return (
    <li className="border-rule border-b py-1">
      <span className="font-bold">{grade}</span>: {words}
    </li>
  );
}

/** How long each grade of a part, or each supplier’s, really lasts in this shop's cars, those that still hold counted as long as they were seen. */
export function Lives({ spans }: { spans: readonly PartSpan[] }) {
  const counts = new Map<string, number>();
  for (const { item } of spans) counts.set(item, (counts.get(item) ?? 0) + 1);
  const items = [...counts]
    .sort((a, b) => b[1] - a[1])
    .slice(0, 8)
    .map(([item]) => item);
  const [chosen, setChosen] = useState("");
  const [by, setBy] = useState<ToldBy>("grade");
  const item = items.includes(chosen) ? chosen : items[0];
  if (!item) return null;
  const of = spans.filter((span) => span.item === item);
  const kinds = [...new Set(of.map((span) => span[by]))]
    .sort()
    .map((grade): Kind => ({ grade, lives: of.filter((span) => span[by] === grade) }));
  const told = kinds.filter(({ lives }) => goneOf(lives) >= FEWEST_GONE);
  const [first, second] = told;
  const differ =
    first && second && told.length === 2 ? compareGrades(first.lives, second.lives).p : undefined;
  return (
    <section aria-labelledby="lives" className="mt-8 flex flex-col gap-3">
      <h2 id="lives" className="text-2xl">
        How long they last here
      </h2>
      <ChipsOne label="Part" options={items} value={item} onChange={(next) => next && setChosen(next)} />
      <ChipsOne
        label="Told apart by"
        options={TOLD_BY}
        value={by}
        onChange={(next) => next && setBy(next as ToldBy)}
      />
      <SurvivalCurves kinds={kinds} />
      <ul className="max-w-3xl">
        {kinds.map((kind) => (
          <Said key={kind.grade} {...kind} />
        ))}
      </ul>
      {differ !== undefined && first && second && (
        <p className="text-ink-2">
          {differ < UNLIKE
            ? `${first.grade} and ${second.grade} last differently: so far apart by chance in ${Math.max(1, Math.round(differ * 1000))} of 1000.`
            : `Whether ${first.grade} and ${second.grade} last differently can't be told from these.`}
        </p>
      )}
    </section>
  );
}
