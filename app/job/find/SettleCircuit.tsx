import { settledCircuit } from "../../../core/book/acts/index.ts";
import {
  CIRCUITS,
  type CircuitAnswers,
  settleCircuit,
} from "../../../core/trade/diagnosis/knowledge/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { Button } from "../../ui/Button.tsx";
import { ChipsOne } from "../../ui/Chips.tsx";
import { useJob } from "../stage/context.ts";

const PINS = {
  "two pins": "2",
  "three pins": "3",
  "there is none": "none",
  "a belt turns the fan": "belt",
} as const;
const YES_NO = { yes: "yes", no: "no" } as const;

function Question<Answer extends string>({
  title,
  hint,
  answers,
  value,
  onChange,
}: {
  title: string;
  hint: string;
  answers: Record<string, Answer>;
  value: Answer | undefined;
  onChange: (answer: Answer | undefined) => void;
}) {
  const shown = Object.keys(answers).find((name) => answers[name] === value) ?? "";
  return (
    <section className="flex flex-col gap-2">
      <h3 className="text-xl">
        {title} <span className="font-normal text-base text-ink-2">{hint}</span>
      </h3>
      <ChipsOne
        label={title}
        options={Object.keys(answers)}
        value={shown}
        onChange={(name) => onChange(answers[name])}
      />
    </section>
  );
}

/** Three questions that settle how the fan is controlled, for a vehicle whose card doesn't say. */
export function SettleCircuit() {
  const { page, book, mayBook } = useJob();
  const [answers, setAnswers] = useDraft<CircuitAnswers>(`settle:${page.job.id}`, {});
  const answer = (more: CircuitAnswers) =>
    setAnswers(Object.fromEntries(Object.entries({ ...answers, ...more }).filter(([, value]) => value)));
  const settled = settleCircuit(answers);
  const isAnswered = Object.keys(answers).length > 0;
  return (
    <div className="flex flex-col gap-6">
      <p>How this vehicle starts its fan isn't on its card. Three looks settle it; one or two may do.</p>
      <Question
        title="How many pins has the fan switch in the radiator?"
        hint="look at its plug"
        answers={PINS}
        value={answers.pins}
        onChange={(pins) => answer({ pins })}
      />
      <Question
        title="Is there a fan relay?"
        hint="box by the battery, or the diagram"
        answers={YES_NO}
        value={answers.relay}
        onChange={(relay) => answer({ relay })}
      />
      <Question
        title="Does unplugging the coolant sensor run the fan?"
        hint="engine running, hands clear; it stores a code to clear after"
        answers={YES_NO}
        value={answers.sensorRuns}
        onChange={(sensorRuns) => answer({ sensorRuns })}
      />
      {isAnswered && (
        <section aria-live="polite" className="flex flex-col gap-2">
          <p>{settled.because}</p>
          <div className="flex flex-wrap gap-2">
            {settled.left.map((kind) => (
              <Button
                key={kind}
                weight={settled.left.length === 1 ? "main" : "plain"}
                disabled={!mayBook}
                onClick={() => book(settledCircuit(kind))}
              >
                It is: {CIRCUITS[kind].name}
              </Button>
            ))}
          </div>
        </section>
      )}
    </div>
  );
}
