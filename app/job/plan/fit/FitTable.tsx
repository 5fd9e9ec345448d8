import { useMemo } from "react";
import { measuredUnit, testedOwn, tookRemedy } from "../../../../core/book/acts/index.ts";
import { tasksOf } from "../../../../core/book/out/index.ts";
import { compareUnits, fitResult, type Steering } from "../../../../core/trade/fit/index.ts";
import type { Measured } from "../../../../server/subjects/vehicles/read-measured.ts";
import { useDraft } from "../../../drafts/useDraft.ts";
import { Button } from "../../../ui/Button.tsx";
import { ChipsOne } from "../../../ui/Chips.tsx";
import { dateOf } from "../../../ui/dates.ts";
import { worked } from "../../instrument/Instrument.tsx";
import { useJob } from "../../stage/context.ts";
import { FitLines } from "./FitLines.tsx";
import {
  EMPTY_SPACE,
  EMPTY_UNIT,
  measuredFrom,
  spaceOf,
  typedFrom,
  type UnitFields,
  unitOf,
} from "./fit-fields.ts";
import { MeasureTable } from "./MeasureTable.tsx";
import { SpaceRow } from "./SpaceRow.tsx";
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
  const result = fitResult(lines);
  const isEmpty = JSON.stringify(draft) === JSON.stringify(EMPTY);
  const keepOn = (which: "old" | "made") => {
    const fact = measuredFrom(draft[which], space, steering);
    if (fact) book(measuredUnit(fact));
  };
  const known = new Set(tasksOf(entries).map(({ words }) => words));
  const remedies = result.remedies.filter(({ what, remedy }) => !known.has(`${what}: ${remedy}`));
  const takeRemedies = () =>
    book(
      remedies.flatMap(({ what, remedy, extraMinutes: minutes, part }) =>
        tookRemedy({ what, remedy, minutes, part }),
      ),
    );
  return (
    <div className="flex flex-col gap-5">
      <div className="flex flex-wrap items-center gap-3">
        <span className="font-bold">Sides as seen from the driver's seat,</span>
        <ChipsOne
          label="Where the wheel is"
          options={Object.keys(STEERING)}
          words={STEERING}
          value={steering}
          onChange={(chosen) => chosen && setDraft({ ...draft, steering: chosen as Steering })}
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
      <MeasureTable
        units={{ old, made }}
        isDisabled={!mayBook}
        onChange={(which, name, text) => setDraft({ ...draft, [which]: { ...draft[which], [name]: text } })}
      />
      <SpaceRow
        space={space}
        isDisabled={!mayBook}
        onChange={(next) => setDraft({ ...draft, space: next })}
      />
      {outcome && "result" in outcome && (
        <>
          <StackPicture old={unitOf(old, steering)} made={unitOf(made, steering)} space={spaceOf(space)} />
          <TouchesFirst old={unitOf(old, steering)} made={unitOf(made, steering)} space={spaceOf(space)} />
        </>
      )}
      <FitLines
        lines={lines}
        result={result}
        trouble={outcome && "trouble" in outcome ? outcome.trouble : undefined}
      />
      <div className="flex flex-wrap gap-2">
        <Button
          disabled={!mayBook || lines.length === 0}
          onClick={() => book(testedOwn("old and new compared", result.verdict, result.words))}
        >
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
