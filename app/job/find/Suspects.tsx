import { memo, useState } from "react";
import type { Suspect } from "../../../core/stages/find/index.ts";
import { reasonsOf, type Weighed } from "../../../core/trade/diagnosis/index.ts";
import type { KnownFind } from "./belief/useFind.ts";

/** Fewer than this is not worth a row; what is left out is counted below. */
const WORTH_A_ROW = 0.02;
const MOST_ROWS = 5;

/** As it is shown and read out. */
const percent = (share: number) =>
  share > 0.995 ? "99+" : share < 0.005 ? "<1" : String(Math.round(share * 100));

function Weighing({
  find,
  title,
  results,
  none,
}: {
  find: KnownFind;
  title: string;
  results: Weighed[];
  none: string;
}) {
  const nameOf = ({ test, outcome }: Weighed) => {
    const found = find.state.model.tests.find(({ id }) => id === test);
    return `${found?.name ?? test}: ${found?.outcomes.find(({ id }) => id === outcome)?.name ?? outcome}`;
  };
  const often = (figure: number) => (figure >= 100 ? "over 100" : Number(figure.toPrecision(2)));
  const times = (figure: number) =>
    figure >= 1
      ? `${often(figure)} times likelier`
      : `${often(1 / Math.max(figure, 0.001))} times less likely`;
  return (
    <div>
      <p className="font-bold">{title}</p>
      {results.length === 0 ? (
        <p className="text-ink-2">{none}</p>
      ) : (
        <ul>
          {results.map((result) => (
            <li key={result.test} className="flex justify-between gap-3">
              <span>{nameOf(result)}</span>
              <span className="whitespace-nowrap text-ink-2">{times(result.times)}</span>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** The three ways to see a suspect: for, against, and what would settle it. */
function Reasons({
  find,
  suspect,
  onTest,
}: {
  find: KnownFind;
  suspect: Suspect;
  onTest: (test: string) => void;
}) {
  const { model, evidence } = find.state;
  const reasons = reasonsOf(model, evidence, suspect.id);
  const settling = model.tests.find(({ id }) => id === reasons.settles?.test);
  const outcome = settling?.outcomes.find(({ id }) => id === reasons.settles?.outcome);
  return (
    <div className="flex flex-col gap-2 pb-3 text-[0.95rem]">
      <Weighing find={find} title="For" results={reasons.for} none="No result speaks for it." />
      <Weighing find={find} title="Against" results={reasons.against} none="No result speaks against it." />
      <div>
        <p className="font-bold">What would settle it</p>
        {settling ? (
          <button
            type="button"
            className="min-h-12 text-left underline underline-offset-4"
            onClick={() => onTest(settling.id)}
          >
            {settling.name}: “{outcome?.name}” would speak for it
          </button>
        ) : (
          <p className="text-ink-2">No test left tells it from the rest.</p>
        )}
      </div>
    </div>
  );
}

const changeWords = (change: number) =>
  change === 0 ? "" : change > 0 ? `, up ${change}` : `, down ${-change}`;

function Row({
  find,
  suspect,
  onTest,
}: {
  find: KnownFind;
  suspect: Suspect;
  onTest: (test: string) => void;
}) {
  const [isOpen, setOpen] = useState(false);
  const { name, share, before, inShop } = suspect;
  const change = Math.round((share - before) * 100);
  return (
    <li>
      <details onToggle={(event) => setOpen(event.currentTarget.open)}>
        <summary className="block min-h-11 py-1.5">
          <span className="sr-only">{`${name}, ${percent(share)} percent${changeWords(change)}`}</span>
          <span className="flex items-baseline justify-between gap-3" aria-hidden="true">
            <span>{name}</span>
            <span className="whitespace-nowrap">
              {change !== 0 && (
                <span className="figure mr-2 text-ink-2 text-sm">{change > 0 ? `+${change}` : change}</span>
              )}
              <span className="figure text-xl">{percent(share)}</span>
            </span>
          </span>
          <span className="relative mt-1 block h-2.5 bg-rule" aria-hidden="true">
            <span className="absolute inset-y-0 left-0 bg-ink" style={{ width: `${share * 100}%` }} />
            <span
              className="absolute -inset-y-1 w-[2px] bg-ink-2"
              style={{ left: `calc(${before * 100}% - 1px)` }}
            />
          </span>
          {inShop.count > 0 && (
            <span className="mt-1 block text-ink-2 text-sm">
              in this shop: {inShop.count} of {inShop.of} on this circuit
            </span>
          )}
        </summary>
        {isOpen && <Reasons find={find} suspect={suspect} onTest={onTest} />}
      </details>
    </li>
  );
}

/** Ranked suspects, each with its share and how the last result moved it. */
export const Suspects = memo(function Suspects({
  find,
  onTest,
}: {
  find: KnownFind;
  onTest: (test: string) => void;
}) {
  const { suspects } = find.state;
  const shown = suspects
    .slice(0, MOST_ROWS)
    .filter(({ share }, index) => index === 0 || share >= WORTH_A_ROW);
  const rest = suspects.slice(shown.length);
  const restShare = rest.reduce((sum, { share }) => sum + share, 0);
  return (
    <section aria-labelledby="suspects" className="flex flex-col gap-1">
      <h3 id="suspects" className="flex justify-between font-normal text-base text-ink-2">
        <span>Still possible</span>
        <span>%</span>
      </h3>
      <ul>
        {shown.map((suspect) => (
          <Row key={suspect.id} find={find} suspect={suspect} onTest={onTest} />
        ))}
      </ul>
      {rest.length > 0 && (
        <details>
          <summary className="min-h-12 py-3 text-ink-2">
            <span className="figure">{percent(restShare)}</span> % in {rest.length} others
          </summary>
          <ul>
            {rest.map(({ id, name, share }) => (
              <li key={id} className="flex justify-between gap-3">
                <span>{name}</span>
                <span className="figure text-ink-2">{percent(share)}</span>
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
});
