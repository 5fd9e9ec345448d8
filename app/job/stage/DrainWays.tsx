import { format, type System } from "../../../core/kernel/units/index.ts";
import { coolantBalance } from "../../../core/state/index.ts";
import { type DrainWay, drained, drainWays } from "../../../core/trade/drain/index.ts";
import { useJob } from "./context.ts";

const SAID = {
  "as expected": "as was to be expected",
  less: "less than that: it was low, or some is still in it",
  more: "more than that: the block gave some too",
} as const;

const litres = ({ low, high }: DrainWay["comesL"], system: System) =>
  `${format(low, "volume", system)} to ${format(high, "volume", system)}`;

/** The ways to let coolant out of this system, with how much to expect from each and what the block keeps. */
export function DrainWays() {
  const { page, entries, system } = useJob();
  const capacityL = page.card?.capacityL;
  if (capacityL === undefined) return null;
  const ways = drainWays(capacityL);
  const [tap] = ways;
  const { drainedL } = coolantBalance(entries);
  return (
    <details>
      <summary className="min-h-12 py-3 font-bold">How to drain it, and how much to expect</summary>
      <p className="mb-2">
        It holds {format(capacityL, "volume", system)}.{" "}
        {drainedL > 0 && tap
          ? `${format(drainedL, "volume", system)} came out: from the radiator alone ${SAID[drained(Math.min(200, drainedL), tap)]}.`
          : "Measure what comes: as much goes back, but for what a new part holds."}
      </p>
      <ul className="border-ink border-t-2">
        {ways.map((way) => (
          <li key={way.id} className="border-rule border-b py-2">
            <span className="font-bold">{way.words}</span>, {way.when}.{" "}
            <span className="whitespace-nowrap">Cap {way.cap}.</span> Expect {litres(way.comesL, system)}; the
            block and heater keep {litres(way.keepsL, system)}. <span className="text-ink-2">{way.how}</span>
          </li>
        ))}
      </ul>
      <p className="mt-2 text-ink-2">
        Catch it all, wipe what is spilt, keep animals away; it goes to waste by local rules.
      </p>
    </details>
  );
}
