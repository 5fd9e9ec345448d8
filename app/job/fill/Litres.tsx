import { format } from "../../../core/kernel/units/index.ts";
import { type BleedRun, type Unaccounted, unaccountedAs } from "../../../core/stages/fill/index.ts";
import type { CoolantBalance } from "../../../core/state/index.ts";
import { Figure } from "../../ui/Figure.tsx";
import { useJob } from "../stage/context.ts";
import { Jar } from "./Jar.tsx";
import { Pour } from "./Pour.tsx";

const LIKELY: Record<Unaccounted, string> = {
  level: "Level, as near as jugs can tell.",
  "to pour": "Not poured yet, or air that has still to leave.",
  air: "Likely air: as much may still come, by the top-ups so far.",
  "lost or in the block":
    "More than the air that may still come: lost, or still in the block. Look where it is wet.",
  "was low": "It was low, or is losing.",
};

/** Litres out and in, and what they leave unaccounted for. */
export function Litres({ sums, run }: { sums: CoolantBalance; run: BleedRun | undefined }) {
  const { page, system } = useJob();
  const rows: [string, number][] = [
    ["Drained", sums.drainedL],
    ["Spilled, about", sums.spilledL],
    ["Kept in old parts", sums.keptInPartsL],
    ["Missing at arrival", sums.missingAtArrivalL],
    ["More the car holds now", sums.capacityChangeL],
    ["Poured", -sums.addedL],
  ];
  const isShort = sums.unaccountedL > 0;
  return (
    <div className="grid items-start gap-x-8 gap-y-6 lg:grid-cols-[13rem_1fr]">
      <Jar capacityL={page.card?.capacityL} sums={sums} system={system} />
      <div className="flex flex-col gap-6">
        <div>
          <p role="status">
            {sums.isOutUntold ? (
              <span className="font-bold text-lg">Some came out, and nobody has written how much</span>
            ) : (
              <>
                <Figure value={Math.abs(sums.unaccountedL)} dimension="volume" system={system} isKey />
                <span className="ml-4 font-bold">
                  {!sums.moved
                    ? "has moved so far"
                    : isShort
                      ? "out and not back in"
                      : "more in than came out"}
                </span>
              </>
            )}
          </p>
          <p className="text-ink-2">
            {sums.isOutUntold
              ? "Not measured is never nought: until it is written down, nothing says how much goes in."
              : !sums.moved
                ? "Write down what comes out, then what goes in."
                : sums.withinTolerance
                  ? `Level, as near as jugs can tell: ± ${format(sums.toleranceL, "volume", system)} for jugs and what clings.`
                  : `${LIKELY[unaccountedAs(sums, run)]} Jugs and what clings account for ± ${format(sums.toleranceL, "volume", system)}.`}
          </p>
        </div>
        <table className="max-w-md">
          <caption className="sr-only">Coolant balance</caption>
          <tbody>
            {rows
              .filter(([, litres]) => litres !== 0)
              .map(([name, litres]) => (
                <tr key={name} className="border-rule border-b">
                  <th scope="row" className="py-1 text-left font-normal">
                    {name}
                  </th>
                  <td className={`text-right ${litres < 0 ? "text-in" : "text-out"}`}>
                    <span className="figure">
                      {litres < 0 ? "in" : "out"} {format(Math.abs(litres), "volume", system)}
                    </span>
                  </td>
                </tr>
              ))}
          </tbody>
        </table>
        <Pour />
      </div>
    </div>
  );
}
