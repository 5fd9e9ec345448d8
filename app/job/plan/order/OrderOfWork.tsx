import { useState } from "react";
import { tookOrder } from "../../../../core/book/acts/index.ts";
import { wantedParts } from "../../../../core/book/parts/index.ts";
import { goalOf } from "../../../../core/stages/next/index.ts";
import { workOrderOf } from "../../../../core/stages/plan/index.ts";
import {
  FEATURES,
  type Feature,
  GOALS,
  type Goal,
  inOrder,
  moved,
  stepsFor,
  timeWords,
} from "../../../../core/trade/order/index.ts";
import type { LastOnModel } from "../../../../server/books/jobs/read-last-on-model.ts";
import { useDraft } from "../../../drafts/useDraft.ts";
import { Button } from "../../../ui/Button.tsx";
import { ChipsMany, ChipsOne } from "../../../ui/Chips.tsx";
import { useJob } from "../../stage/context.ts";
import { LastTime } from "../../stage/LastTime.tsx";
import { StepList } from "./StepList.tsx";

interface Typed {
  goal: Goal;
  features: Feature[];
  order: string[];
}
const isGoal = (text: string): text is Goal => (GOALS as readonly string[]).includes(text);

/** What comes off before what, for this job on this car: as it has to be, and otherwise as somebody wants it. */
export function OrderOfWorkPart({ last }: { last: LastOnModel | null }) {
  const { page, entries, book, mayBook } = useJob();
  const booked = workOrderOf(entries)?.said;
  const [typed, setTyped] = useDraft<Typed | undefined>(`order:${page.job.id}`, undefined);
  const [refused, setRefused] = useState("");
  const { goal, features, order } = typed ??
    booked ?? {
      // As in hand offers it: by what was chosen, and by what the last car of this model had in the way.
      goal: goalOf(wantedParts(entries)) ?? ("radiator" as const),
      features: [...(last?.features ?? [])],
      order: [],
    };
  const steps = inOrder(stepsFor(goal, features), order);
  const total = timeWords(steps);
  const pairs = steps.filter(({ people }) => people === 2);
  const change = (part: Partial<Typed>) => {
    setRefused("");
    setTyped({ goal, features, order, ...part });
  };
  const move = (id: string, to: number) => {
    if (to < 0 || to >= steps.length)
      return setRefused(to < 0 ? "It is the first already." : "It is the last already.");
    const next = moved(steps, id, to);
    if ("refused" in next) return setRefused(next.refused);
    change({ order: next.order.map((step) => step.id) });
  };
  const take = () => {
    book(tookOrder(goal, features, steps, total));
    setTyped(undefined);
  };
  return (
    <div className="flex flex-col gap-4">
      <LastTime last={last} />
      <div>
        <p className="mb-1 font-bold">What comes out</p>
        <ChipsOne
          label="What comes out"
          options={GOALS}
          value={goal}
          onChange={(name) => isGoal(name) && change({ goal: name })}
        />
      </div>
      <div>
        <p className="mb-1 font-bold">What this car has</p>
        <ChipsMany
          label="What this car has"
          options={FEATURES}
          value={features}
          onChange={(names) => change({ features: FEATURES.filter((each) => names.includes(each)) })}
        />
      </div>
      <p className="text-lg">
        <span className="font-bold">{total}</span>
        {pairs.length > 0 && `; two people for: ${pairs.map(({ name }) => name.toLowerCase()).join("; ")}`}.
      </p>
      <div role="alert">{refused && <p className="border-ink border-l-4 pl-3 font-bold">{refused}</p>}</div>
      <StepList steps={steps} isOff={!mayBook} onMove={move} />
      <div>
        <Button disabled={!mayBook} onClick={take}>
          Take this order
        </Button>
      </div>
    </div>
  );
}
