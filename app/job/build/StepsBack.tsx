import { useState } from "react";
import { stepBackDrafts } from "../../../core/book/acts/index.ts";
import { balanceKey, tasksOf, thing } from "../../../core/book/out/index.ts";
import type { ApartRow } from "../../../core/stages/apart/index.ts";
import { type BackItem, type BackList, type BackStep } from "../../../core/stages/build/index.ts";
import { checkKnown } from "../../../core/trade/order/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { Button } from "../../ui/Button.tsx";
import { ChipsMany } from "../../ui/Chips.tsx";
import { InMark } from "../../ui/OutIn.tsx";
import { useJob } from "../stage/context.ts";
import { tickIds } from "../stage/tick-id.ts";
import { TaskRow } from "./Tasks.tsx";
import { Group, MOST_GROUPS } from "./ThingsBack.tsx";

/** What came off with a step and is off still, beside what goes back with it by itself. */
function cameWith({ step, back }: BackStep, apart: readonly ApartRow[]): string {
  const own = new Set((back.takes ?? []).map(balanceKey));
  return (apart.find(({ id }) => id === step)?.things ?? [])
    .filter((each) => each.off > 0 && !own.has(balanceKey(each)))
    .map((each) => thing(each, each.off))
    .join("; ");
}

/** One step of the order of work going back, with what is to be seen as it does. */
function StepCard({ step, came, isHeld }: { step: BackStep; came: string; isHeld?: boolean }) {
  const { page, entries, book, mayBook } = useJob();
  const [seen, setSeen] = useDraft<string[]>(`back:${step.entryId}`, []);
  const { back } = step;
  // Asked at each step anew: nothing pinched behind the radiator says nothing of the condenser.
  const checks = back.checks.flatMap((id) => {
    const known = checkKnown(id);
    return known ? [{ id, words: known.words }] : [];
  });
  const isBack = () => {
    const right = checks.filter(({ words }) => seen.includes(words));
    const drafts = stepBackDrafts(step, right, entries);
    book(drafts, tickIds(page.job.id, entries, drafts));
    setSeen([]);
  };
  return (
    <li className="flex flex-col gap-2 border-rule border-b py-3">
      <div className="flex flex-wrap items-center gap-3">
        <span className="min-w-48 flex-1">
          <span className="block font-bold text-lg leading-snug">{back.name}</span>
          {came && <span className="block text-ink-2">with it came off: {came}</span>}
          {isHeld && <span className="text-ink-2">first: {step.waitsFor.join("; ")}</span>}
          {step.seeFirst && <span className="text-ink-2">look first: {step.seeFirst.join("; ")}</span>}
        </span>
        <Button
          aria-label={`Is back: ${back.name}`}
          weight={isHeld ? "quiet" : "plain"}
          disabled={!mayBook}
          onClick={isBack}
        >
          Is back <InMark />
        </Button>
      </div>
      {checks.length > 0 && !isHeld && (
        <ChipsMany
          label={`Seen: ${back.name}`}
          options={checks.map(({ words }) => words)}
          value={seen}
          onChange={setSeen}
        />
      )}
    </li>
  );
}

/** Steps and things in one list, as they came off: what can go back now, and what waits for what. */
export function StepsBack({ list, apart }: { list: BackList; apart: readonly ApartRow[] }) {
  const { entries } = useJob();
  const [isWhole, setWhole] = useState(false);
  const tasks = tasksOf(entries).filter(({ isDone }) => !isDone);
  const shown = isWhole ? list.now : list.now.slice(0, MOST_GROUPS);
  return (
    <div className="grid gap-x-8 gap-y-6 xl:grid-cols-2">
      <section aria-labelledby="goes-back">
        <h3 id="goes-back" className="text-xl">
          Last off, first on
        </h3>
        <ul className="border-ink border-t-2">
          {tasks.map((task) => (
            <TaskRow key={task.entryId} task={task} />
          ))}
          {shown.map((item) => (
            <Item key={keyOf(item)} item={item} apart={apart} />
          ))}
        </ul>
        {shown.length < list.now.length && (
          <Button onClick={() => setWhole(true)}>and {list.now.length - shown.length} more</Button>
        )}
        {list.now.length + tasks.length === 0 && (
          <p className="text-ink-2">Nothing, until what the others wait for was seen.</p>
        )}
      </section>
      {list.waits.length > 0 && (
        <section aria-labelledby="waits">
          <h3 id="waits" className="text-xl">
            Waits, or goes at the end
          </h3>
          <ul className="border-ink border-t-2">
            {list.waits.map((item) => (
              <Item key={keyOf(item)} item={item} apart={apart} isHeld />
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

const keyOf = ({ step, group }: BackItem) =>
  step ? step.entryId : group.items.map(({ entryId }) => entryId).join();

function Item({
  item,
  apart,
  isHeld = false,
}: {
  item: BackItem;
  apart: readonly ApartRow[];
  isHeld?: boolean;
}) {
  if (item.step) return <StepCard step={item.step} came={cameWith(item.step, apart)} isHeld={isHeld} />;
  return (
    <li className="py-1">
      <Group group={item.group} />
    </li>
  );
}
