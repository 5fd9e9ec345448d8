import type { EntryDraft } from "../../../../core/ledger/index.ts";
import { readShown, SHOWN, type System } from "../../../../core/units/index.ts";
import { useDraft } from "../../../shell/drafts/useDraft.ts";
import { Button } from "../../../ui/Button.tsx";
import { TextField } from "../../../ui/Field.tsx";
import { useJob } from "../../context.ts";

const COLDEST_C = -39;
const HOTTEST_C = 150;

function readCelsius(text: string, system: System): number | undefined {
  const celsius = readShown(text, "temperature", system);
  return celsius !== undefined && celsius >= COLDEST_C && celsius <= HOTTEST_C
    ? Math.round(celsius * 10) / 10
    : undefined;
}

/** One reading of the coolant into the book, from the port or a thermometer at the neck; with what it calls for, in one act. */
export function ReadCoolant({ onOver }: { onOver?: (celsius: number) => EntryDraft | undefined }) {
  const { page, book, mayBook, system } = useJob();
  const [text, setText] = useDraft(`coolant-read:${page.job.id}`);
  const celsius = text.trim() === "" ? undefined : readCelsius(text, system);
  const isWrong = text.trim() !== "" && celsius === undefined;
  const save = () => {
    if (celsius === undefined) return;
    const reading: EntryDraft = { kind: "reading", item: "coolant sensor", value: celsius, unit: "°C" };
    const stop = onOver?.(celsius);
    if (book(stop ? [reading, stop] : reading)) setText("");
  };
  return (
    <form
      className="flex flex-wrap items-start gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <div className="w-44">
        <TextField
          label="Coolant reads"
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
    </form>
  );
}
