import { testedOwn } from "../../../../core/book/acts/index.ts";
import { typedFigure } from "../../../../core/kernel/csv/index.ts";
import { type CoolingUnit, willItCool } from "../../../../core/trade/fit/index.ts";
import type { WhatIf } from "../../../../core/trade/health/index.ts";
import { useDraft } from "../../../drafts/useDraft.ts";
import { Button } from "../../../ui/Button.tsx";
import { TextField } from "../../../ui/Field.tsx";
import { VerdictShape } from "../../../ui/VerdictMark.tsx";
import { worked } from "../../instrument/Instrument.tsx";
import { useJob } from "../../stage/context.ts";
import { WorstDays } from "./WorstDays.tsx";

const FIELDS: [name: keyof CoolingUnit, label: string, unit: string, share: number][] = [
  ["motorAmps", "Fan draws", "A", 1],
  ["coreWidthMm", "Core, wide", "mm", 1],
  ["coreHeightMm", "Core, high", "mm", 1],
  ["coreThicknessMm", "Core, thick", "mm", 1],
  ["freeShare", "Face left free by fan and shroud", "%", 0.01],
];
type Typed = Record<keyof CoolingUnit, string>;
const EMPTY: Typed = { motorAmps: "", coreWidthMm: "", coreHeightMm: "", coreThicknessMm: "", freeShare: "" };

const NOTHING = { old: EMPTY, made: EMPTY, cooler: "", besides: {} as Partial<Record<Besides, string>> };
/** What else may be changed, without a figure of today's: that is on the card. */
const BESIDES = [
  ["opensC", "Another thermostat opens", "°C", 1],
  ["fanOnC", "Another switch starts the fan", "°C", 1],
  ["fraction", "Another strength", "%", 0.01],
  ["capGaugeKPa", "Another cap", "kPa", 1],
] as const;
type Besides = (typeof BESIDES)[number][0];

/** No figure of a car is larger. */
const MOST = 10_000;
const figure = (text: string) => {
  const typed = typedFigure(text);
  return typed !== undefined && typed >= 0 && typed < MOST ? typed : undefined;
};
const isWrong = (text: string) => text.trim() !== "" && figure(text) === undefined;

function unitOf(typed: Typed): CoolingUnit {
  return Object.fromEntries(
    FIELDS.flatMap(([name, , , share]) => {
      const value = figure(typed[name]);
      return value === undefined ? [] : [[name, value * share]];
    }),
  );
}

const SCALE = { least: 0.4, most: 1.6 };
const at = (share: number) =>
  `${((Math.min(SCALE.most, Math.max(SCALE.least, share)) - SCALE.least) / (SCALE.most - SCALE.least)) * 100}%`;
const percent = (share: number) => `${Math.round(share * 100)} %`;

/** A range against today's, on one scale with a mark where today's stands. */
function RangeBar({ name, low, high }: { name: string; low: number; high: number }) {
  return (
    <div>
      <p className="flex justify-between gap-4">
        <span>{name}</span>
        <span className="figure">
          {percent(low)} to {percent(high)}
        </span>
      </p>
      <div aria-hidden="true" className="relative h-6 border-edge border-x bg-wash">
        <div
          className="absolute inset-y-1 min-w-1 bg-ink"
          style={{ left: at(low), right: `calc(100% - ${at(high)})` }}
        />
        <div className="absolute inset-y-0 w-0.5 bg-out" style={{ left: at(1) }} />
      </div>
    </div>
  );
}

/** What a slim fan, a thicker core or an added cooler does to air and heat, as a range against what is in the car. */
export function WillItCoolPart() {
  const { page, book, mayBook } = useJob();
  const [typed, setTyped] = useDraft(`cool:${page.job.id}`, NOTHING);
  const hasAny = [typed.old, typed.made].some((unit) =>
    Object.values(unit).some((text) => text.trim() !== ""),
  );
  const cooler = figure(typed.cooler) ?? 0;
  const outcome = worked(hasAny || cooler > 0, () =>
    willItCool(unitOf(typed.old), unitOf(typed.made), cooler / 100),
  );
  const found = outcome && "result" in outcome ? outcome.result : undefined;
  const besides = typed.besides ?? {};
  const isBesideWrong = BESIDES.some(([name]) => isWrong(besides[name] ?? ""));
  const change: WhatIf = {
    ...(found && { standing: found.heat, onRoad: found.onRoad }),
    ...Object.fromEntries(
      BESIDES.flatMap(([name, , , share]) => {
        const value = figure(besides[name] ?? "");
        return value === undefined ? [] : [[name, value * share]];
      }),
    ),
  };
  return (
    <div className="flex flex-col gap-5">
      <table className="w-full max-sm:table-fixed">
        <thead>
          <tr className="text-left">
            <td />
            <th scope="col" className="w-1/3 px-2">
              In the car
            </th>
            <th scope="col" className="w-1/3 px-2">
              New
            </th>
          </tr>
        </thead>
        <tbody>
          {FIELDS.map(([name, label, unit]) => (
            <tr key={name} className="align-top">
              <th scope="row" className="py-3 pr-2 text-left font-normal text-ink-2">
                {label}, {unit}
              </th>
              {(["old", "made"] as const).map((which) => (
                <td key={which} className="px-2 py-1">
                  <input
                    aria-label={`${label}, ${which === "old" ? "in the car" : "new"}`}
                    aria-invalid={isWrong(typed[which][name]) || undefined}
                    className="field-box figure w-full"
                    inputMode="decimal"
                    size={6}
                    maxLength={8}
                    autoComplete="off"
                    disabled={!mayBook}
                    value={typed[which][name]}
                    onChange={(event) =>
                      setTyped({ ...typed, [which]: { ...typed[which], [name]: event.target.value } })
                    }
                  />
                  {isWrong(typed[which][name]) && (
                    <p className="border-ink border-l-4 pl-2 font-bold text-sm">A figure in {unit}.</p>
                  )}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <div className="w-72 max-w-full">
        <TextField
          label="An added cooler stands before"
          unit="% of the face"
          inputMode="decimal"
          maxLength={5}
          value={typed.cooler}
          error={isWrong(typed.cooler) || cooler > 100 ? "From 0 to 100." : undefined}
          disabled={!mayBook}
          onChange={(event) => setTyped({ ...typed, cooler: event.target.value })}
        />
      </div>
      <section aria-labelledby="cools" aria-live="polite" className="flex flex-col gap-3">
        <h4 id="cools" className="flex items-center gap-2 font-bold text-lg">
          {found ? (
            <>
              <VerdictShape verdict={found.verdict} /> {found.because}
            </>
          ) : (
            "What is measured of both; the answer shows at once."
          )}
        </h4>
        {outcome && "trouble" in outcome && (
          <p className="border-ink border-l-4 pl-3 font-bold">{outcome.trouble}</p>
        )}
        {found && (
          <>
            <RangeBar name="Air, standing still" {...found.air} />
            <RangeBar name="Heat, standing still" {...found.heat} />
            <RangeBar name="Heat on the road" {...found.onRoad} />
            <p className="text-ink-2">
              Of what is in the car, whose place is the line.
              {found.takenSame.length > 0 && ` Taken for the same on both: ${found.takenSame.join(", ")}.`}{" "}
              How good either fan is, how much of the air's way the core holds up and what the coolant does is
              not known: the bars are as wide as that.
            </p>
          </>
        )}
      </section>
      <div className="grid max-w-xl grid-cols-1 gap-x-6 gap-y-2 sm:grid-cols-2">
        {BESIDES.map(([name, label, unit]) => (
          <TextField
            key={name}
            label={label}
            unit={unit}
            inputMode="decimal"
            maxLength={5}
            value={besides[name] ?? ""}
            error={isWrong(besides[name] ?? "") ? `A figure in ${unit}.` : undefined}
            disabled={!mayBook}
            onChange={(event) => setTyped({ ...typed, besides: { ...besides, [name]: event.target.value } })}
          />
        ))}
      </div>
      <WorstDays
        change={change}
        trouble={
          isBesideWrong || (outcome && "trouble" in outcome)
            ? "A figure above is none: put it right first."
            : undefined
        }
      />
      <div className="flex flex-wrap gap-2">
        <Button
          disabled={!mayBook || !found}
          onClick={() => found && book(testedOwn("will it cool", found.verdict, found.because))}
        >
          Book it
        </Button>
        <Button weight="quiet" onClick={() => setTyped(NOTHING)}>
          Clear it
        </Button>
      </div>
    </div>
  );
}
