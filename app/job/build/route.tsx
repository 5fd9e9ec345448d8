import { type BuildGroup, type BuildItem, buildList, stillOut, thing } from "../../../core/ledger/index.ts";
import { Button } from "../../ui/Button.tsx";
import { InMark } from "../../ui/OutIn.tsx";
import { useJob } from "../context.ts";
import { Tray } from "../Tray.tsx";
import { tickId } from "../tick-id.ts";
import { Cautions, Work } from "../Work.tsx";

const CAUTIONS = [
  "Fasteners started by hand before any is tightened. Plugs clicked home, then tugged. Bent fins cut; two people for a big unit.",
  "A fan may start at any moment once its plug is on: hands and sleeves out first.",
];

/** A bag's items are told by size, what has no bag by its own name. */
const nameOf = (item: BuildItem) => {
  const isBagged = item.account === "fastener" || item.account === "clip";
  const name = isBagged ? item.item : thing(item);
  return item.open > 1 ? `${item.open} × ${name}` : name;
};

/** Tools and line caps hold nothing up, so they are offered after what does. */
const isBeside = (group: BuildGroup) =>
  group.items.every((item) => item.account === "tool" || item.account === "line-cap");

function BackRow({ item }: { item: BuildItem }) {
  const { book, mayBook } = useJob();
  const whole = thing(item, item.open);
  const back = (count: number) =>
    book(
      {
        kind: "movement",
        account: item.account,
        item: item.item,
        ...(item.place ? { place: item.place } : {}),
        in: count,
      },
      [tickId(item.entryId, item.open, count)],
    );
  return (
    <li className="flex flex-wrap items-center gap-3 border-rule border-b py-2">
      <span className="min-w-24 flex-1 text-lg leading-snug">
        <span className="font-bold">{nameOf(item)}</span>{" "}
        {item.where && <span className="text-ink-2">{item.where}</span>}
      </span>
      <span className="flex gap-2">
        {item.open > 1 && (
          <Button
            className="px-3"
            aria-label={`${whole}: one back`}
            disabled={!mayBook}
            onClick={() => back(1)}
          >
            One back
          </Button>
        )}
        <Button
          className="px-4"
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

function Now({ groups }: { groups: BuildGroup[] }) {
  return (
    <section aria-labelledby="now" className="flex flex-col gap-4">
      <h3 id="now" className="text-xl">
        Now
      </h3>
      {groups.map((group) => (
        <div key={group.items.map((item) => item.entryId).join()}>
          {group.items.some((item) => item.place === group.place && item.place.startsWith("bag")) && (
            <p className="border-ink border-b-2 pb-1 font-bold">{group.place}</p>
          )}
          <ul>
            {group.items.map((item) => (
              <BackRow key={item.entryId} item={item} />
            ))}
          </ul>
        </div>
      ))}
    </section>
  );
}

function Then({ groups }: { groups: BuildGroup[] }) {
  if (groups.length === 0) return null;
  return (
    <section aria-labelledby="then" className="flex flex-col gap-3">
      <h3 id="then" className="text-xl">
        Then, in this order
      </h3>
      <ol>
        {groups.map((group) => (
          <li key={group.items.map((item) => item.entryId).join()} className="border-rule border-b py-2">
            <p>
              <span className="font-bold">
                {group.items.map((item) => thing(item, item.open)).join(", ")}
              </span>
            </p>
            <p className="text-ink-2">behind {group.behind.slice(-2).join(" and ")}</p>
          </li>
        ))}
      </ol>
    </section>
  );
}

/** Putting back: what is out, in the reverse order of its leaving, and only what nothing else holds up. */
export default function Build() {
  const { entries } = useJob();
  const groups = buildList(entries);
  const ready = groups.filter((group) => group.ready);
  return (
    <Work title="What goes back next?" next={{ label: "On to Fill", to: "fill" }}>
      <Cautions texts={CAUTIONS} />
      {groups.length === 0 ? (
        <p role="status" className="text-lg">
          {entries.some((entry) => entry.account && entry.account !== "coolant" && entry.out)
            ? "Nothing is out: all that came off is back."
            : "Nothing is out. What Strip writes out is offered here, last off first."}
        </p>
      ) : (
        <>
          <div className="grid gap-x-8 gap-y-6 xl:grid-cols-2">
            <Now groups={[...ready.filter((group) => !isBeside(group)), ...ready.filter(isBeside)]} />
            <Then groups={groups.filter((group) => !group.ready)} />
          </div>
          <section aria-labelledby="tray">
            <h3 id="tray" className="mb-2 text-xl">
              Still on the bench
            </h3>
            <Tray lines={stillOut(entries)} />
          </section>
        </>
      )}
    </Work>
  );
}
