import { checkedFit, putWireOn } from "../../../../core/book/acts/index.ts";
import { factOf, factsOf, WireOn } from "../../../../core/book/facts/index.ts";
import { fitVerdicts } from "../../../../core/book/out/index.ts";
import type { FanWiring } from "../../../../core/trade/electrics/index.ts";
import { Button } from "../../../ui/Button.tsx";
import { VerdictShape } from "../../../ui/VerdictMark.tsx";
import { useJob } from "../../stage/context.ts";
import { sayTick } from "../../stage/tick-id.ts";

const RUNS = {
  pass: "new fan run on a fused lead before it went in",
  fail: "the new fan doesn't run on the bench",
};

/** The sheet followed wire by wire, each ticked in the book, and the unit run on the bench before it goes in. */
export function WireTicks({ wiring: { wires } }: { wiring: FanWiring }) {
  const { page, entries, book, mayBook } = useJob();
  const on = new Set(factsOf(entries, WireOn).map(({ fact }) => fact.wire));
  const bench = fitVerdicts(entries).get("fan-bench") ?? "not-seen";
  const nameOf = ({ from, to }: (typeof wires)[number]) => `${from} to ${to}`.slice(0, 160);
  const left = wires.filter((wire) => !on.has(nameOf(wire))).length;
  return (
    <section aria-labelledby="followed">
      <h4 id="followed" className="font-bold text-lg">
        Followed wire by wire: {left === 0 ? "all on" : `${left} to go`}
      </h4>
      <ul className="border-ink border-t-2">
        {wires.map((wire, index) => {
          const name = nameOf(wire);
          return (
            <li key={wire.id} className="flex flex-wrap items-center gap-3 border-rule border-b py-1">
              <VerdictShape verdict={on.has(name) ? "pass" : "not-seen"} />
              <span className="min-w-40 flex-1">
                <span className="figure">{index + 1}</span> {name}
              </span>
              <Button
                className="px-4"
                aria-label={`It is on: ${name}`}
                disabled={!mayBook || on.has(name)}
                onClick={() =>
                  book(putWireOn(name), [
                    sayTick(page.job.id, entries, `wire:${name}`, (entry) => {
                      const said = factOf(entry)?.fact;
                      return said instanceof WireOn && said.wire === name;
                    }),
                  ])
                }
              >
                It is on
              </Button>
            </li>
          );
        })}
        <li className="flex flex-wrap items-center gap-3 border-rule border-b py-1">
          <VerdictShape verdict={bench} />
          <span className="min-w-40 flex-1">{bench === "fail" ? RUNS.fail : RUNS.pass}</span>
          {(["pass", "fail"] as const).map((verdict) => (
            <Button
              key={verdict}
              className="px-4"
              weight={verdict === "pass" ? "plain" : "quiet"}
              aria-label={`${verdict === "pass" ? "It ran" : "It didn't"}: on the bench`}
              disabled={!mayBook || bench === verdict}
              onClick={() => book(checkedFit("fan-bench", verdict, RUNS[verdict]))}
            >
              {verdict === "pass" ? "It ran" : "It didn't"}
            </Button>
          ))}
        </li>
      </ul>
    </section>
  );
}
