import type { ReactNode } from "react";
import { readCoolant, readRoom } from "../../../core/book/acts/index.ts";
import type { EntryDraft } from "../../../core/book/entry/index.ts";
import { type MeantDegrees, meantDegrees, SHOWN, type System } from "../../../core/kernel/units/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { Button } from "../../ui/Button.tsx";
import { ChipsOne } from "../../ui/Chips.tsx";
import { TextField } from "../../ui/Field.tsx";
import { useJob } from "../stage/context.ts";
import { FoldOfJob } from "../stage/Fold.tsx";

const COLDEST_C = -40;
const HOTTEST_C = 150;
const WHICH = "Which degrees did it show?";
const PLACES = {
  engine: "engine's sensor",
  radiator: "radiator",
  surface: "housing, infrared",
  air: "air around it",
} as const;
type Place = keyof typeof PLACES;

/** What the text may mean, of an engine's coolant: two where somebody may have read it off in the other degrees. */
const coolantMeant = (text: string, system: System): MeantDegrees[] =>
  meantDegrees(text, system)
    .map((meant) => ({ ...meant, celsius: Math.round(meant.celsius * 10) / 10 }))
    .filter(({ celsius }) => celsius >= COLDEST_C && celsius <= HOTTEST_C);

/**
 * One temperature into the book, with what it calls for in one act. `hasPlace` where it may be read elsewhere than at the engine: a
 * value is worth what it was read at.
 */
export function ReadCoolant({
  onOver,
  hasPlace = false,
  beside,
  children,
}: {
  onOver?: (celsius: number) => EntryDraft | undefined;
  hasPlace?: boolean;
  /** Another way to tell, right under the reading; where it was read is asked after it. */
  beside?: ReactNode;
  /** Other ways that are seldom taken, beside where it was read. */
  children?: ReactNode;
}) {
  const { page, book, mayBook, system } = useJob();
  const [text, setText] = useDraft(`coolant-read:${page.job.id}`);
  const [place, setPlace] = useDraft<Place>(`coolant-place:${page.job.id}`, "engine");
  const isAir = hasPlace && place === "air";
  const all = coolantMeant(text, system);
  const own = all.find((each) => each.system === system);
  // Nobody's air is as hot as an engine: there the shop's own degrees are meant.
  const isAsked = !isAir && all.some((each) => each.system !== system);
  const isWrong = text.trim() !== "" && !own && !isAsked;
  const save = (celsius: number | undefined) => {
    if (celsius === undefined) return;
    const where = hasPlace ? place : "engine";
    const reading = where === "air" ? readRoom(celsius) : readCoolant(celsius, where);
    const stop = where === "air" ? undefined : onOver?.(celsius);
    if (!book(stop ? [reading, stop] : reading)) return;
    setText("");
    setPlace("engine");
  };
  const places = hasPlace && (
    <ChipsOne
      label="Read at"
      options={Object.keys(PLACES)}
      words={PLACES}
      value={place}
      onChange={(value) => value && setPlace(value as Place)}
    />
  );
  return (
    <form
      className="flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (!isAsked) save(own?.celsius);
      }}
    >
      {!beside && places}
      <p role="status" className="sr-only">
        {isAsked ? WHICH : ""}
      </p>
      <div className="flex flex-wrap items-start gap-3">
        <div className="w-44 max-sm:w-32">
          <TextField
            label={isAir ? "Air reads" : "Coolant reads"}
            inputMode="decimal"
            maxLength={10}
            className="figure text-xl"
            unit={SHOWN.temperature[system].label}
            value={text}
            disabled={!mayBook}
            error={isWrong ? "A temperature of coolant." : undefined}
            onChange={(event) => setText(event.target.value)}
          />
        </div>
        {isAsked ? (
          <fieldset className="flex flex-wrap gap-2">
            <legend className="mb-1 font-bold">{WHICH}</legend>
            {all.map((meant) => (
              <Button key={meant.system} disabled={!mayBook} onClick={() => save(meant.celsius)}>
                {`It is ${text.trim()} ${SHOWN.temperature[meant.system].label}`}
              </Button>
            ))}
          </fieldset>
        ) : (
          <Button type="submit" className="mt-7 max-sm:px-3" disabled={!mayBook || own === undefined}>
            Book the reading
          </Button>
        )}
      </div>
      {beside}
      {beside && (
        <FoldOfJob
          name="Read at"
          says={`the ${PLACES[place]}${children ? "; elsewhere, or from a log" : ""}`}
          folds="always"
          className="font-normal"
        >
          <div className="flex flex-col gap-2">
            {places}
            {children}
          </div>
        </FoldOfJob>
      )}
    </form>
  );
}
