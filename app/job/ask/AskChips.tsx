import type { ReactNode } from "react";
import { LEVEL_WORDS } from "../../../core/book/out/index.ts";
import { ASKED_LEVELS, type Heard } from "../../../core/stages/ask/index.ts";
import { GAUGES, HAPPENS, TROUBLES } from "../../../core/trade/diagnosis/knowledge/index.ts";
import { ChipsMany, ChipsOne } from "../../ui/Chips.tsx";
import { useJob } from "../stage/context.ts";
import type { HeardHere } from "./useHeard.ts";

function Question({
  id,
  words,
  hint,
  children,
}: {
  id: string;
  words: string;
  hint?: string;
  children: ReactNode;
}) {
  return (
    <section aria-labelledby={id}>
      <h3 id={id} className="mb-2 font-bold">
        {words} {hint && <span className="font-normal text-ink-2">{hint}</span>}
      </h3>
      {children}
    </section>
  );
}

/** What is told by tapping: the trouble, when it happens, the gauge, the level. */
export function AskChips({ heard: { chips, set } }: { heard: HeardHere }) {
  const { mayBook, maySay } = useJob();
  // An owner tells the rest; a level is looked at by whoever stands at the car.
  const isAtCar = mayBook || !maySay;
  return (
    <>
      <Question id="trouble" words="What is the trouble?" hint="one or two; Find starts from it">
        <ChipsMany
          label="What is the trouble?"
          options={Object.keys(TROUBLES)}
          words={TROUBLES}
          value={chips.trouble}
          onChange={(said) => set.trouble(said as Heard["trouble"])}
        />
      </Question>
      <Question id="happens" words="When does it happen?">
        <ChipsMany
          label="When does it happen?"
          options={Object.keys(HAPPENS)}
          words={HAPPENS}
          value={chips.happens}
          onChange={(said) => set.happens(said as Heard["happens"])}
        />
      </Question>
      <div className="grid gap-6 xl:grid-cols-2">
        <Question id="gauge" words="Gauge" hint="a poor witness">
          <ChipsOne
            label="Gauge"
            options={Object.keys(GAUGES)}
            words={GAUGES}
            value={chips.gauge}
            onChange={(chip) => set.gauge(chip as Heard["gauge"])}
          />
        </Question>
        {isAtCar && (
          <Question id="level" words="Coolant level" hint="through the tank, cap shut">
            <ChipsOne
              label="Coolant level"
              options={ASKED_LEVELS}
              words={LEVEL_WORDS}
              value={chips.level}
              onChange={(chip) => set.level(chip as Heard["level"])}
            />
          </Question>
        )}
      </div>
    </>
  );
}
