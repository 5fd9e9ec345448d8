import { letOut, poured } from "../../../core/book/acts/index.ts";
import { format, readShown, SHOWN, type System } from "../../../core/kernel/units/index.ts";
import { bleedRun, type Unaccounted, unaccountedAs } from "../../../core/stages/fill/index.ts";
import { bledVehicle, coolantBalance } from "../../../core/state/index.ts";
import { CAP_OPENS_WORDS } from "../../../core/trade/limits/index.ts";
import { useMember } from "../../desk/member.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { Button } from "../../ui/Button.tsx";
import { ChipsOne } from "../../ui/Chips.tsx";
import { TextField } from "../../ui/Field.tsx";
import { Figure } from "../../ui/Figure.tsx";
import { Cautions } from "../stage/Cautions.tsx";
import { ColdCheck } from "../stage/ColdCheck.tsx";
import { useJob } from "../stage/context.ts";
import { DrainWays } from "../stage/DrainWays.tsx";
import { stage } from "../stage/stage.tsx";
import { Work } from "../stage/Work.tsx";
import { Bleeding } from "./bleed/Bleeding.tsx";
import { Jar } from "./Jar.tsx";
import { Mix } from "./mix/Mix.tsx";

const MOVES = {
  poured: "Poured",
  drained: "Drained",
  spilled: "Spilled",
  kept: "Kept in old parts",
  missing: "Missing at arrival",
} as const;
const MOST_L = 200;

function readLitres(text: string, system: System): number | undefined {
  const litres = readShown(text, "volume", system);
  return litres !== undefined && litres > 0 && litres <= MOST_L ? litres : undefined;
}

function readShare(text: string, system: System): number | undefined {
  const share = readShown(text, "fraction", system);
  return share !== undefined && share >= 0 && share <= 1 ? share : undefined;
}

function Pour() {
  const { page, system, book, mayBook } = useJob();
  const [move, setMove] = useDraft<keyof typeof MOVES>(`moves:${page.job.id}`, "poured");
  const [amount, setAmount] = useDraft(`litres:${page.job.id}`);
  const [strength, setStrength] = useDraft(`strength:${page.job.id}`);
  const litres = readLitres(amount, system);
  const fraction = strength.trim() === "" ? undefined : readShare(strength, system);
  const isAmountWrong = amount.trim() !== "" && litres === undefined;
  const isStrengthWrong = strength.trim() !== "" && fraction === undefined;
  const pour = () => {
    if (litres === undefined || isStrengthWrong) return;
    const mix = fraction === undefined ? undefined : { fraction };
    book(move === "poured" ? poured(litres, mix) : letOut(move, litres));
    setAmount("");
    setStrength("");
  };
  return (
    <section aria-labelledby="pour" className="flex flex-col gap-3">
      <h3 id="pour" className="text-xl">
        Write down what moved
      </h3>
      <ChipsOne
        label="What moved"
        options={Object.keys(MOVES)}
        words={MOVES}
        value={move}
        onChange={(value) => value && setMove(value as keyof typeof MOVES)}
      />
      {move === "drained" && <DrainWays />}
      <div className="flex flex-wrap items-start gap-3">
        <div className="w-40">
          <TextField
            label="How much"
            inputMode="decimal"
            maxLength={12}
            className="figure text-xl"
            unit={SHOWN.volume[system].label}
            value={amount}
            error={isAmountWrong ? `More than 0, at most ${format(MOST_L, "volume", system)}.` : undefined}
            onChange={(event) => setAmount(event.target.value)}
            disabled={!mayBook}
          />
        </div>
        {move === "poured" && (
          <div className="w-36">
            <TextField
              label="Strength"
              inputMode="decimal"
              maxLength={6}
              className="figure text-xl"
              unit="%"
              value={strength}
              error={isStrengthWrong ? "From 0 to 100 %." : undefined}
              onChange={(event) => setStrength(event.target.value)}
              disabled={!mayBook}
            />
          </div>
        )}
        <Button
          onClick={pour}
          disabled={!mayBook || litres === undefined || isStrengthWrong}
          className="mt-7"
        >
          Book it
        </Button>
      </div>
    </section>
  );
}

const LIKELY: Record<Unaccounted, string> = {
  level: "Level, as near as jugs can tell.",
  "to pour": "Not poured yet, or air that has still to leave.",
  air: "Likely air: as much may still come, by the top-ups so far.",
  "lost or in the block":
    "More than the air that may still come: lost, or still in the block. Look where it is wet.",
  "was low": "It was low, or is losing.",
};

const CAUTIONS = [
  `Never open a hot cap: ${CAP_OPENS_WORDS}, let the pressure go.`,
  "Coolant is sweet and poisons animals and children: catch it, wipe it up, sealed drum, local rules.",
];

/** A run of bleeding is drawn by Fill itself, first on the page: its clock, its settings, its signs. */
const isBleeding = ({ id }: { id: string }) =>
  id === "cap" || id.startsWith("fill:bleed:") || id.startsWith("fill:sign:");
const TO_BLEEDING = {
  label: "To the step in hand",
  onGo: () => document.querySelector<HTMLElement>("#bleeding")?.focus(),
};

/** Litres out and in, and what they leave unaccounted for. */
function Fill() {
  const { entries, page, system } = useJob();
  const sums = coolantBalance(entries);
  const rows: [string, number][] = [
    ["Drained", sums.drainedL],
    ["Spilled, about", sums.spilledL],
    ["Kept in old parts", sums.keptInPartsL],
    ["Missing at arrival", sums.missingAtArrivalL],
    ["More the car holds now", sums.capacityChangeL],
    ["Poured", -sums.addedL],
  ];
  const isShort = sums.unaccountedL > 0;
  const run = bleedRun(entries, bledVehicle(entries, page.card, useMember().altitudeM));
  return (
    <Work
      title="How much went in?"
      next={{ label: "On to Prove", to: "prove" }}
      toDrawn={TO_BLEEDING}
      isDrawn={run && !run.isEnded ? isBleeding : undefined}
    >
      <Cautions texts={CAUTIONS} />
      {run && <Bleeding run={run} />}
      <div className="grid items-start gap-x-8 gap-y-6 lg:grid-cols-[13rem_1fr]">
        <Jar capacityL={page.card?.capacityL} sums={sums} system={system} />
        <div className="flex flex-col gap-6">
          <div>
            <p role="status">
              <Figure value={Math.abs(sums.unaccountedL)} dimension="volume" system={system} isKey />
              <span className="ml-4 font-bold">
                {!sums.moved ? "has moved so far" : isShort ? "out and not back in" : "more in than came out"}
              </span>
            </p>
            <p className="text-ink-2">
              {!sums.moved
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
      <Mix />
      {!run && <Bleeding run={undefined} />}
      <ColdCheck />
    </Work>
  );
}

export default stage(Fill);
