import { useState } from "react";
import { Form } from "react-router";
import { SHOWN, type System, toShown } from "../../core/kernel/units/index.ts";
import { readDistance } from "../../core/trade/car/index.ts";
import { CALLS, type Call, type FollowUpRule } from "../../core/trade/follow-ups/index.ts";
import { Button } from "../ui/Button.tsx";
import { Choice, TextField } from "../ui/Field.tsx";

const CALL_WORDS: Record<Call, string> = {
  coolant: "when coolant moved",
  fan: "after work on the fan's side",
  "second-bleed": "when the school bleeds twice",
  any: "after every job",
};
const MOST_RULES = 12;

interface Line {
  id: string;
  words: string;
  after: Call;
  days: string;
  km: string;
}

const shownKm = (km: number | undefined, system: System) =>
  km === undefined ? "" : String(Math.round(toShown(km, "distance", system)));

/** A rule as it was typed, or nothing where it can't be one. */
function ruleOf({ id, words, after, days, km }: Line, system: System): FollowUpRule | undefined {
  const far = readDistance(km, system);
  const isSound =
    words.trim().length > 0 &&
    /^\d{1,3}$/.test(days.trim()) &&
    Number(days) <= 730 &&
    (km.trim() === "" || (far !== undefined && far > 0 && far <= 100_000));
  if (!isSound) return undefined;
  return {
    id,
    words: words.trim(),
    after,
    days: Number(days),
    ...(far === undefined ? {} : { km: Math.round(far) }),
  };
}

/** The shop's rules for second looks. */
export function SecondLooks({
  rules,
  system,
  isLead,
  isBusy,
}: {
  rules: readonly FollowUpRule[];
  system: System;
  isLead: boolean;
  isBusy: boolean;
}) {
  const [lines, setLines] = useState<Line[]>();
  const unit = SHOWN.distance[system].label;
  const begin = () =>
    setLines(
      rules.map(({ id, words, after, days, km }) => ({
        id,
        words,
        after,
        days: String(days),
        km: shownKm(km, system),
      })),
    );
  if (!lines)
    return (
      <>
        <ul className="mb-3">
          {rules.map(({ id, words, after, days, km }) => (
            <li key={id} className="border-rule border-b py-2">
              <span className="font-bold">{words}</span>, {CALL_WORDS[after]}:{" "}
              {days === 0 ? "the same day" : days === 1 ? "the next day" : `within ${days} days`}
              {km === undefined ? "" : ` or ${shownKm(km, system)} ${unit}`}
            </li>
          ))}
        </ul>
        {rules.length === 0 && <p className="mb-3">No rule: nothing is promised by itself.</p>}
        {isLead && <Button onClick={begin}>Change the rules</Button>}
      </>
    );
  const change = (index: number, part: Partial<Line>) =>
    setLines(lines.map((line, at) => (at === index ? { ...line, ...part } : line)));
  const read = lines.map((line) => ruleOf(line, system));
  const isSound = read.every(Boolean);
  return (
    <Form method="post" onSubmit={() => setLines(undefined)} className="flex flex-col gap-4">
      <input type="hidden" name="what" value="rules" />
      <input type="hidden" name="rules" value={JSON.stringify(read)} />
      {lines.map((line, index) => (
        <fieldset key={line.id} className="grid gap-3 border-rule border-b pb-4 sm:grid-cols-2">
          <legend className="sr-only">Rule {index + 1}</legend>
          <TextField
            label="What to look at"
            maxLength={120}
            value={line.words}
            error={line.words.trim() === "" ? "What is looked at." : undefined}
            onChange={(event) => change(index, { words: event.target.value })}
          />
          <Choice
            label="When"
            value={line.after}
            onChange={(event) => change(index, { after: event.target.value as Call })}
          >
            {CALLS.map((call) => (
              <option key={call} value={call}>
                {CALL_WORDS[call]}
              </option>
            ))}
          </Choice>
          <TextField
            label="Within"
            unit="days"
            inputMode="numeric"
            maxLength={3}
            value={line.days}
            error={ruleOf({ ...line, words: "x", km: "" }, system) ? undefined : "0 to 730 days."}
            onChange={(event) => change(index, { days: event.target.value })}
          />
          <TextField
            label="Or after"
            unit={unit}
            inputMode="numeric"
            maxLength={7}
            value={line.km}
            error={
              ruleOf({ ...line, words: "x", days: "1" }, system) ? undefined : "A distance, or leave it open."
            }
            onChange={(event) => change(index, { km: event.target.value })}
          />
          <Button
            weight="quiet"
            className="sm:col-span-2 sm:justify-self-end"
            aria-label={`Take rule ${index + 1} out`}
            onClick={() => setLines(lines.filter((_, at) => at !== index))}
          >
            Take it out
          </Button>
        </fieldset>
      ))}
      <div className="flex flex-wrap gap-3">
        <Button
          disabled={lines.length >= MOST_RULES}
          onClick={() =>
            setLines([
              ...lines,
              { id: `own-${Date.now().toString(36)}`, words: "", after: "any", days: "7", km: "" },
            ])
          }
        >
          Add a rule
        </Button>
        <Button type="submit" weight="main" disabled={isBusy || !isSound}>
          Keep these rules
        </Button>
        <Button weight="quiet" onClick={() => setLines(undefined)}>
          Leave them
        </Button>
      </div>
    </Form>
  );
}
