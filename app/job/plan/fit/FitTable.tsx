import { useMemo } from "react";
import { measuredUnit, testedOwn, tookRemedy } from "../../../../core/book/acts/index.ts";
import { tasksOf } from "../../../../core/book/out/index.ts";
import { compareUnits, type Steering } from "../../../../core/trade/fit/index.ts";
import type { Measured } from "../../../../server/subjects/vehicles/read-measured.ts";
import { useDraft } from "../../../drafts/useDraft.ts";
import { Button } from "../../../ui/Button.tsx";
import { ChipsOne } from "../../../ui/Chips.tsx";
import { dateOf } from "../../../ui/dates.ts";
import { TextField } from "../../../ui/Field.tsx";
import { worked } from "../../instrument/Instrument.tsx";
import { useJob } from "../../stage/context.ts";
import { FitVerdict } from "./FitVerdict.tsx";
import {
  EMPTY_SPACE,
  EMPTY_UNIT,
  lengthTrouble,
  measuredFrom,
  ROWS,
  spaceOf,
  typedFrom,
  type UnitFields,
  unitOf,
} from "./fit-fields.ts";
import { StackPicture } from "./StackPicture.tsx";
import { TouchesFirst } from "./TouchesFirst.tsx";

const STEERING: Record<Steering, string> = { left: "wheel on the left", right: "wheel on the right" };

interface FitDraft {
  steering: Steering;
  old: UnitFields;
  made: UnitFields;
  space: typeof EMPTY_SPACE;
}
const EMPTY: FitDraft = { steering: "left", old: EMPTY_UNIT, made: EMPTY_UNIT, space: EMPTY_SPACE };

function MeasureCell({
  label,
  row,
  value,
  onChange,
  isDisabled,
}: {
  label: string;
  row: (typeof ROWS)[number];
  value: string;
  onChange: (text: string) => void;
  isDisabled: boolean;
}) {
  if (row.options)
    return (
      <select
        aria-label={label}
        className="field-box w-full"
        value={value}
        disabled={isDisabled}
        onChange={(event) => onChange(event.target.value)}
      >
        <option value="">not looked at</option>
        {row.options.map((option) => (
          <option key={option}>{option}</option>
        ))}
      </select>
    );
  const trouble = row.isWord ? undefined : lengthTrouble(value);
  return (
    <>
      <input
        aria-label={label}
        aria-invalid={trouble ? true : undefined}
        className={`field-box w-full ${row.isWord ? "" : "figure"}`}
        inputMode={row.isWord ? undefined : "decimal"}
        autoComplete="off"
        maxLength={row.isWord ? 60 : 8}
        value={value}
        disabled={isDisabled}
        onChange={(event) => onChange(event.target.value)}
      />
      {trouble && <p className="border-ink border-l-4 pl-2 font-bold text-sm">{trouble}</p>}
    </>
  );
}

/** Old and new as paired columns, filled at the bench, and what comes of it line by line. */
export function FitTable({ measured }: { measured: Measured["unit"] }) {
  const { page, entries, timeZone, book, mayBook } = useJob();
  const [draft, setDraft] = useDraft<FitDraft>(`fit-2:${page.job.id}`, EMPTY);
  const { steering } = draft;
  // A draft may have been typed before the bench measured as much as it does now.
  const [old, made, space] = useMemo(
    () => [
      { ...EMPTY_UNIT, ...draft.old },
      { ...EMPTY_UNIT, ...draft.made },
      { ...EMPTY_SPACE, ...draft.space },
    ],
    [draft],
  );
  const outcome = useMemo(
    () => worked(true, () => compareUnits(unitOf(old, steering), unitOf(made, steering), spaceOf(space))),
    [old, made, steering, space],
  );
  const lines = outcome && "result" in outcome ? outcome.result : [];
  const apart = lines.filter(({ verdict }) => verdict !== "same");
  const extra = lines.reduce((sum, { extraMinutes }) => sum + extraMinutes, 0);
  const stops = lines.some(({ verdict }) => verdict === "stop");
  const bookIt = () => {
    const told = apart.map(
      ({ what, verdict, remedy }) => `${what}: ${verdict.replace("-", " ")}. ${remedy ?? ""}`,
    );
    const verdict = stops ? "fail" : lines.some((line) => line.verdict === "not-seen") ? "not-seen" : "pass";
    const seen = (told.length > 0 ? told.join(" ") : "The same in all that was measured.").slice(0, 1900);
    book(testedOwn("old and new compared", verdict, seen));
  };
  const isEmpty = JSON.stringify(draft) === JSON.stringify(EMPTY);
  const keepOn = (which: "old" | "made") => {
    const fact = measuredFrom(draft[which], space, steering);
    if (fact) book(measuredUnit(fact));
  };
  const known = new Set(tasksOf(entries).map(({ words }) => words));
  const remedies = lines.filter(
    ({ verdict, what, remedy }) => verdict === "adapt" && remedy && !known.has(`${what}: ${remedy}`),
  );
  const takeRemedies = () =>
    book(
      remedies.flatMap(({ what, remedy = "", extraMinutes: minutes, part }) =>
        tookRemedy({ what, remedy, minutes, part }),
      ),
    );
  return (
    <div className="flex flex-col gap-5">
      <div className="flex flex-wrap items-center gap-3">
        <span className="font-bold">Sides as seen from the driver's seat,</span>
        <ChipsOne
          label="Where the wheel is"
          options={Object.values(STEERING)}
          value={STEERING[steering]}
          onChange={(words) =>
            words && setDraft({ ...draft, steering: words === STEERING.left ? "left" : "right" })
          }
        />
      </div>
      {measured && isEmpty && (
        <div>
          <Button
            onClick={() => {
              const typed = typedFrom(measured.fact);
              setDraft({ ...EMPTY, steering: measured.fact.steering, old: typed.unit, space: typed.space });
            }}
          >
            Take the old one from the card, measured {dateOf(measured.at, timeZone)}
          </Button>
        </div>
      )}
      <table className="w-full">
        <thead>
          <tr className="text-left">
            <th scope="col" className="py-1">
              mm
            </th>
            <th scope="col" className="w-1/3 px-2">
              Old one
            </th>
            <th scope="col" className="w-1/3 px-2">
              New one
            </th>
          </tr>
        </thead>
        <tbody>
          {ROWS.map((row) => (
            <tr key={row.name} className="align-top">
              <th scope="row" className="py-3 pr-2 text-left font-normal text-ink-2">
                {row.label}
              </th>
              {(["old", "made"] as const).map((which) => (
                <td key={which} className="px-2 py-1">
                  <MeasureCell
                    label={`${row.label}, ${which === "old" ? "old one" : "new one"}`}
                    row={row}
                    value={draft[which][row.name]}
                    isDisabled={!mayBook}
                    onChange={(text) =>
                      setDraft({ ...draft, [which]: { ...draft[which], [row.name]: text } })
                    }
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <div className="flex flex-wrap items-start gap-4">
        {(
          [
            ["depth", "Room behind its face", "mm"],
            ["fan", "Fan in that room, deep", "mm"],
            ["shroud", "Free now, shroud to fan", "mm"],
            ["pipes", "Free now, to the charge pipes", "mm"],
            ["below", "Room from its top to the skid plate", "mm"],
            ["plusMinus", "Give or take", "mm"],
          ] as const
        ).map(([name, label, unit]) => (
          <div key={name} className="w-44">
            <TextField
              label={label}
              unit={unit}
              inputMode="decimal"
              className="figure"
              maxLength={8}
              value={space[name]}
              error={lengthTrouble(space[name])}
              disabled={!mayBook}
              onChange={(event) => setDraft({ ...draft, space: { ...space, [name]: event.target.value } })}
            />
          </div>
        ))}
        <div className="w-52">
          <TextField
            label="What stands behind it"
            placeholder="the belt"
            maxLength={40}
            value={space.name}
            disabled={!mayBook}
            onChange={(event) => setDraft({ ...draft, space: { ...space, name: event.target.value } })}
          />
        </div>
      </div>
      {outcome && "result" in outcome && (
        <>
          <StackPicture old={unitOf(old, steering)} made={unitOf(made, steering)} space={spaceOf(space)} />
          <TouchesFirst old={unitOf(old, steering)} made={unitOf(made, steering)} space={spaceOf(space)} />
        </>
      )}
      <section aria-labelledby="fits" aria-live="polite">
        <h4 id="fits" className="mb-1 font-bold text-lg">
          {lines.length === 0
            ? "Nothing measured on either yet"
            : stops
              ? "It doesn't fit"
              : lines.some(({ verdict }) => verdict === "not-seen")
                ? "Not all of it is measured yet"
                : apart.length === 0
                  ? "The same in all that was measured"
                  : `It fits with ${extra} min more, as far as it is measured`}
        </h4>
        {outcome && "trouble" in outcome && (
          <p className="border-ink border-l-4 pl-3 font-bold">{outcome.trouble}</p>
        )}
        <ul className="border-ink border-t-2">
          {lines.map(({ what, verdict, old: was, new: is, remedy, extraMinutes, part }) => (
            <li key={what} className="grid gap-x-4 border-rule border-b py-2 sm:grid-cols-[9rem_1fr]">
              <FitVerdict verdict={verdict} />
              <span>
                <span className="font-bold">{what}</span>: {was}; new: {is}.
                {remedy && <span className="block">{remedy}</span>}
                {(extraMinutes > 0 || part) && (
                  <span className="block text-ink-2">
                    {[extraMinutes > 0 ? `${extraMinutes} min more` : "", part ? `to buy: ${part}` : ""]
                      .filter(Boolean)
                      .join(" · ")}
                  </span>
                )}
              </span>
            </li>
          ))}
        </ul>
      </section>
      <div className="flex flex-wrap gap-2">
        <Button disabled={!mayBook || lines.length === 0} onClick={bookIt}>
          Book what was compared
        </Button>
        {remedies.length > 0 && (
          <Button disabled={!mayBook} onClick={takeRemedies}>
            Take {remedies.length === 1 ? "the remedy" : `${remedies.length} remedies`} into this job
          </Button>
        )}
        <Button
          weight="quiet"
          disabled={!mayBook || !measuredFrom(old, space, steering)}
          onClick={() => keepOn("old")}
        >
          Keep the old one on the card
        </Button>
        <Button
          weight="quiet"
          disabled={!mayBook || !measuredFrom(made, space, steering)}
          onClick={() => keepOn("made")}
        >
          The new one is in: keep it on the card
        </Button>
        <Button weight="quiet" onClick={() => setDraft(EMPTY)}>
          Clear it
        </Button>
      </div>
    </div>
  );
}
