import { useState } from "react";
import { BENCH_CARS } from "../../../core/trade/bench/index.ts";
import { circuitOfCar, LEVELS } from "../../../core/trade/practice/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { Button } from "../../ui/Button.tsx";
import { Choice } from "../../ui/Field.tsx";

/** How hard, and on which car. */
export function BeginRound({ onBegin }: { onBegin: (level: number, carKey: string) => void }) {
  const [level, setLevel] = useDraft<number>("practice-level", 1);
  const [carKey, setCarKey] = useState("");
  return (
    <section aria-labelledby="begin" className="flex max-w-3xl flex-col gap-4">
      <h2 id="begin" className="text-2xl">
        A car comes in
      </h2>
      <p>
        Something is hidden in it. Do the tests you would do, heat it, let it cool, and commit to a repair:
        what it costs and what was risked is counted as in a bay, and told beside the planner's way. Nobody is
        hurt here; a cap opened hot still counts.
      </p>
      <fieldset className="flex flex-col gap-2">
        <legend className="mb-1 font-bold">How hard</legend>
        {LEVELS.map(({ id, name, tells }) => (
          <label
            key={id}
            className="flex min-h-12 cursor-pointer items-start gap-3 rounded-md border-2 border-edge bg-sheet px-4 py-2 has-checked:border-ink has-checked:shadow-[inset_5px_0_0_var(--ink)]"
          >
            <input
              type="radio"
              name="level"
              className="mt-1.5 size-5 accent-ink"
              checked={level === id}
              onChange={() => setLevel(id)}
            />
            <span>
              <span className="font-bold">{name}</span>
              <span className="block text-ink-2">{tells}</span>
            </span>
          </label>
        ))}
      </fieldset>
      <div className="flex flex-wrap items-end gap-4">
        <Choice label="Car" value={carKey} onChange={(event) => setCarKey(event.target.value)}>
          <option value="">any</option>
          {BENCH_CARS.map(({ key, name }) => (
            <option key={key} value={key}>
              {`${name}: ${circuitOfCar(key).name}`}
            </option>
          ))}
        </Choice>
        <Button weight="main" data-next onClick={() => onBegin(level, carKey)}>
          Take it in
        </Button>
      </div>
    </section>
  );
}
