import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import { putBack } from "../../../core/book/acts/index.ts";
import { type BuildGroup, type BuildItem, buildList, thing } from "../../../core/book/out/index.ts";
import { isBeside } from "../../../core/stages/build/index.ts";
import { Button } from "../../ui/Button.tsx";
import { InMark } from "../../ui/OutIn.tsx";
import { useJob } from "../stage/context.ts";
import { moveTick } from "../stage/tick-id.ts";

/** A bag's items are told by size, what has no bag by its own name. */
const nameOf = (item: BuildItem) => {
  const isBagged = item.place.startsWith("bag ");
  const name = isBagged ? item.item : thing(item).replace(",", " ");
  return item.open > 1 ? `${item.open} × ${name}` : name;
};

/** Nobody works down more at once, and each row costs a slow tablet its time; the rest is one tap away. */
export const MOST_GROUPS = 12;

function BackRow({ item }: { item: BuildItem }) {
  const { page, entries, book, mayBook } = useJob();
  const whole = thing(item, item.open);
  const back = (count: number) => {
    const draft = putBack(item, count);
    // One of several counts every tap; all of them, or the only one, is one tick whoever taps it.
    const isOneOfSeveral = count < item.open;
    book(draft, isOneOfSeveral ? [] : [moveTick(page.job.id, entries, draft)]);
  };
  return (
    <li className="flex flex-wrap items-center gap-3 border-rule border-b py-2 max-sm:gap-2">
      <span className="min-w-24 flex-1 text-lg leading-snug max-sm:min-w-20 max-sm:text-base">
        <span className="font-bold">{nameOf(item)}</span>{" "}
        {item.where && <span className="text-ink-2">{item.where}</span>}
      </span>
      <span className="flex gap-2">
        {item.open > 1 && (
          <Button
            className="px-3 max-sm:px-2.5"
            data-counts
            aria-label={`${whole}: one back`}
            disabled={!mayBook}
            onClick={() => back(1)}
          >
            One back
          </Button>
        )}
        <Button
          className="px-4 max-sm:px-2.5"
          aria-label={`${whole}: ${item.open > 1 ? `all ${item.open} back` : "is back"}`}
          disabled={!mayBook}
          onClick={() => back(item.open)}
        >
          {item.open > 1 ? `All ${item.open} back` : "Is back"} <InMark />
        </Button>
      </span>
    </li>
  );
}

/** Things that left one place together, each with its ticks; what is known to hold them up is said, and holds nobody. */
export function Group({ group, isNamed = true }: { group: BuildGroup; isNamed?: boolean }) {
  const isBag =
    isNamed && group.items.some((item) => item.place === group.place && item.place.startsWith("bag"));
  return (
    <div>
      {isBag && <p className="border-ink border-b-2 pb-1 font-bold">{group.place}</p>}
      {group.behind.length > 0 && <p className="text-ink-2">first: {group.behind.join(", ")}</p>}
      <ul>
        {group.items.map((item) => (
          <BackRow key={item.entryId} item={item} />
        ))}
      </ul>
    </div>
  );
}

function Groups({ id, title, groups }: { id: string; title: string; groups: BuildGroup[] }) {
  const [isWhole, setWhole] = useState(false);
  if (groups.length === 0) return null;
  const shown = isWhole ? groups : groups.slice(0, MOST_GROUPS);
  const rest = groups.length - shown.length;
  return (
    <section aria-labelledby={id} className="flex flex-col gap-4 max-sm:gap-2">
      <h3 id={id} className="text-xl">
        {title}
      </h3>
      {shown.map((group) => (
        <Group key={group.items.map((item) => item.entryId).join()} group={group} />
      ))}
      {rest > 0 && <Button onClick={() => setWhole(true)}>and {rest} more</Button>}
    </section>
  );
}

/** Whatever is out, in the reverse of its leaving, in two columns. Anything that is out can be ticked. */
export function ThingsBack() {
  const { entries, page } = useJob();
  const bag = useSearchParams()[0].get("bag")?.trim().toLowerCase();
  const all = buildList(entries);
  const here = bag ? all.filter(({ items }) => items.some(({ place }) => place.toLowerCase() === bag)) : [];
  if (bag)
    return (
      <section aria-labelledby="one-bag" className="flex flex-col gap-4">
        <h3 id="one-bag" className="text-2xl">
          {bag}
        </h3>
        {here.map((group) => (
          <Group key={group.items.map((item) => item.entryId).join()} group={group} isNamed={false} />
        ))}
        {here.length === 0 && <p className="text-lg">Nothing is left in {bag}.</p>}
        <Link to={`/jobs/${page.job.id}/build`} className="font-bold underline underline-offset-4">
          All that is out
        </Link>
      </section>
    );
  const groups = all;
  const now = groups.filter((group) => group.ready && !isBeside(group));
  const later = [...groups.filter((group) => !group.ready), ...groups.filter(isBeside)];
  // Half of what is ready comes first; the rest stands beside it, in the same order.
  const first = now.slice(0, Math.max(1, Math.ceil(now.length / 2)));
  return (
    <div className="grid gap-x-8 gap-y-6 max-sm:gap-y-4 drawer:lg:grid-cols-2 xl:grid-cols-2">
      <Groups id="now" title="Last off, first on" groups={first} />
      <Groups id="then" title="Then" groups={[...now.slice(first.length), ...later]} />
    </div>
  );
}
