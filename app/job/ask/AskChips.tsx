import { LEVEL_WORDS } from "../../../core/book/out/index.ts";
import { ASKED_LEVELS, type Heard } from "../../../core/stages/ask/index.ts";
import { GAUGES, HAPPENS, TROUBLES } from "../../../core/trade/diagnosis/knowledge/index.ts";
import { ChipsMany, ChipsOne } from "../../ui/Chips.tsx";
import { useJob } from "../stage/context.ts";
import { FoldOfJob, useFolds } from "../stage/Fold.tsx";
import type { HeardHere } from "./useHeard.ts";

const list = (words: Readonly<Record<string, string>>, chosen: readonly string[]) =>
  chosen
    .filter(Boolean)
    .map((each) => words[each] ?? each)
    .join(", ") || "not said";

/** What is told by tapping: the trouble, when it happens, the gauge, the level. */
export function AskChips({ heard: { chips, set } }: { heard: HeardHere }) {
  const { mayBook, maySay } = useJob();
  // An owner tells the rest; a level is looked at by whoever stands at the car.
  const isAtCar = mayBook || !maySay;
  const folds = useFolds();
  return (
    <>
      <FoldOfJob
        name="What is the trouble?"
        hint="one or two; Find starts from it"
        says={list(TROUBLES, chips.trouble)}
        folds={folds === "always" && chips.trouble.length > 0 ? "always" : "never"}
      >
        <ChipsMany
          label="What is the trouble?"
          options={Object.keys(TROUBLES)}
          words={TROUBLES}
          value={chips.trouble}
          onChange={(said) => set.trouble(said as Heard["trouble"])}
        />
      </FoldOfJob>
      <FoldOfJob name="When does it happen?" says={list(HAPPENS, chips.happens)} folds={folds}>
        <ChipsMany
          label="When does it happen?"
          options={Object.keys(HAPPENS)}
          words={HAPPENS}
          value={chips.happens}
          onChange={(said) => set.happens(said as Heard["happens"])}
        />
      </FoldOfJob>
      <div className="grid gap-x-6 gap-y-5 xl:grid-cols-2">
        <FoldOfJob name="Gauge" hint="a poor witness" says={list(GAUGES, [chips.gauge])} folds={folds}>
          <ChipsOne
            label="Gauge"
            options={Object.keys(GAUGES)}
            words={GAUGES}
            value={chips.gauge}
            onChange={(chip) => set.gauge(chip as Heard["gauge"])}
          />
        </FoldOfJob>
        {isAtCar && (
          <FoldOfJob
            name="Coolant level"
            hint="through the tank, cap shut"
            says={list(LEVEL_WORDS, [chips.level])}
            folds={folds}
          >
            <ChipsOne
              label="Coolant level"
              options={ASKED_LEVELS}
              words={LEVEL_WORDS}
              value={chips.level}
              onChange={(chip) => set.level(chip as Heard["level"])}
            />
          </FoldOfJob>
        )}
      </div>
    </>
  );
}
