import { useState } from "react";
import { MOST_FAULTS } from "../../core/trade/bench/index.ts";
import { NOTHING_WRONG } from "../../core/trade/diagnosis/index.ts";
import { hypothesesOf } from "../../core/trade/diagnosis/knowledge/index.ts";
import { circuitOfCar } from "../../core/trade/practice/index.ts";
import { Button } from "../ui/Button.tsx";
import { Choice } from "../ui/Field.tsx";
import { type BenchHere, putNow } from "./useBench.ts";

const LABELS = ["Fault", "Second fault"];

/** Faults are chosen first and put in then: going through the list by keys puts in none. */
export function PutIn({ here: { setup, change } }: { here: BenchHere }) {
  const { faults } = putNow(setup);
  // Until somebody chooses, what is chosen is what is in it.
  const [touched, setTouched] = useState<readonly string[]>();
  const wanted = touched ?? faults;
  const known = hypothesesOf(circuitOfCar(setup.carKey))
    .filter(({ id }) => id !== NOTHING_WRONG)
    .sort((a, b) => a.name.localeCompare(b.name));
  const chosen = [...new Set(wanted)].filter((id) => id !== "");
  const isSame = chosen.length === faults.length && chosen.every((id) => faults.includes(id));
  const choose = (place: number, fault: string) =>
    setTouched(LABELS.map((_, at) => (at === place ? fault : (wanted[at] ?? ""))));
  return (
    <div className="flex flex-col gap-3">
      <div className="grid gap-3 sm:grid-cols-2 xl:grid-cols-1">
        {LABELS.slice(0, MOST_FAULTS).map((label, place) => (
          <Choice
            key={label}
            label={label}
            value={wanted[place] ?? ""}
            onChange={(event) => choose(place, event.target.value)}
          >
            <option value="">none</option>
            {known.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Choice>
        ))}
      </div>
      <div className="flex flex-wrap items-center gap-3">
        <Button
          isResting={isSame}
          onClick={() => {
            change({ faults: chosen });
            setTouched(undefined);
          }}
        >
          {chosen.length === 0 ? "Take all out" : "Put in"}
        </Button>
        <span className="text-ink-2" role="status">
          {faults.length === 0
            ? "Nothing is in it."
            : `In it: ${known.flatMap(({ id, name }) => (faults.includes(id) ? [name] : [])).join(" and ")}.`}
        </span>
      </div>
    </div>
  );
}
