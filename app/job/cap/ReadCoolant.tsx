import type { EntryDraft } from "../../../core/ledger/index.ts";
import { READ_ITEMS } from "../../../core/state/index.ts";
import { readShown, SHOWN, type System } from "../../../core/units/index.ts";
import { useDraft } from "../../shell/drafts/useDraft.ts";
import { Button } from "../../ui/Button.tsx";
import { ChipsOne } from "../../ui/Chips.tsx";
import { TextField } from "../../ui/Field.tsx";
import { useJob } from "../context.ts";

const COLDEST_C = -40;
const HOTTEST_C = 150;
const ENGINE = "engine's sensor";
const ITEMS: Readonly<Record<string, string>> = {
  [ENGINE]: READ_ITEMS.engine,
  radiator: READ_ITEMS.radiator,
  "housing, infrared": READ_ITEMS.surface,
  "air around it": "room",
};

function readCelsius(text: string, system: System): number | undefined {
  const celsius = readShown(text, "temperature", system);
  return celsius !== undefined && celsius >= COLDEST_C && celsius <= HOTTEST_C
    ? Math.round(celsius * 10) / 10
    : undefined;
}

/**
 * One temperature into the book, with what it calls for in one act. `hasPlace` where it may be read elsewhere than at the engine: a
 * value is worth what it was read at.
 */
export function ReadCoolant({
  onOver,
  hasPlace = false,
}: {
  onOver?: (celsius: number) => EntryDraft | undefined;
  hasPlace?: boolean;
}) {
  const { page, book, mayBook, system } = useJob();
  const [text, setText] = useDraft(`coolant-read:${page.job.id}`);
  const [place, setPlace] = useDraft(`coolant-read-at:${page.job.id}`, ENGINE);
  const celsius = text.trim() === "" ? undefined : readCelsius(text, system);
  const isWrong = text.trim() !== "" && celsius === undefined;
  const save = () => {
    if (celsius === undefined) return;
    const item = (hasPlace && ITEMS[place]) || READ_ITEMS.engine;
    const reading: EntryDraft = { kind: "reading", item, value: celsius, unit: "°C" };
    const stop = onOver?.(celsius);
    if (!book(stop ? [reading, stop] : reading)) return;
    setText("");
    setPlace(ENGINE);
  };
  return (
    <form
      className="flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      {hasPlace && (
        <ChipsOne
          label="Read at"
          options={Object.keys(ITEMS)}
          value={place}
          onChange={(value) => value && setPlace(value)}
        />
      )}
      <div className="flex flex-wrap items-start gap-3">
        <div className="w-44">
          <TextField
            label={hasPlace && place === "air around it" ? "Air reads" : "Coolant reads"}
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
        <Button type="submit" className="mt-7" disabled={!mayBook || celsius === undefined}>
          Book the reading
        </Button>
      </div>
    </form>
  );
}
