import { useEffect } from "react";
import { useFetcher } from "react-router";
import { readPressure } from "../../../core/book/acts/index.ts";
import { format, inShownUnits, readShown, SHOWN, toShown } from "../../../core/kernel/units/index.ts";
import { pressureHeld, pressureReadings } from "../../../core/state/index.ts";
import { capRatingKPa } from "../../../core/trade/limits/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import type { TesterAnswer } from "../../instruments/pressure.route.ts";
import { Button } from "../../ui/Button.tsx";
import { TextField } from "../../ui/Field.tsx";
import { VerdictShape } from "../../ui/VerdictMark.tsx";
import { useJob } from "../stage/context.ts";

const MARK = { tight: "pass", seeping: "fail", leaking: "fail", "not-seen": "not-seen" } as const;
const SAID = {
  tight: "Tight",
  seeping: "It seeps",
  leaking: "It leaks",
  "not-seen": "Not told yet",
} as const;

const rounded = (value: number | undefined, least: number, most: number) =>
  value !== undefined && value >= least && value <= most ? Math.round(value * 10) / 10 : undefined;

/** The system pumped up to its cap's rating and watched: each reading into the book, and what they say, cooling taken off. */
export function PressureTest() {
  const { page, entries, book, mayBook, system } = useJob();
  const [pressure, setPressure] = useDraft(`pressure:${page.job.id}`);
  const [beside, setBeside] = useDraft(`pressure-coolant:${page.job.id}`);
  const readings = pressureReadings(entries);
  const capGaugeKPa = capRatingKPa(page.card?.capGaugeKpa);
  const found = pressureHeld(entries, capGaugeKPa);
  const kPa = pressure.trim() === "" ? undefined : rounded(readShown(pressure, "pressure", system), 0, 400);
  const celsius =
    beside.trim() === "" ? undefined : rounded(readShown(beside, "temperature", system), -40, 150);
  const isWrong = pressure.trim() !== "" && kPa === undefined;
  const isBesideWrong = beside.trim() !== "" && celsius === undefined;
  const tester = useFetcher<TesterAnswer>();
  const answer = tester.data;
  // Into the fields and not into the book: a person looks at the gauge and books it.
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each answer
  useEffect(() => {
    if (!answer || !("read" in answer)) return;
    const { gaugeKPa, coolantC } = answer.read;
    setPressure(String(Number(toShown(gaugeKPa, "pressure", system).toFixed(1))));
    if (coolantC !== undefined)
      setBeside(String(Number(toShown(coolantC, "temperature", system).toFixed(1))));
  }, [answer]);
  const save = (begins: boolean) => {
    if (kPa === undefined || isWrong || isBesideWrong) return;
    if (book(readPressure(kPa, { begins, ...(celsius !== undefined && { coolantC: celsius }) }))) {
      setPressure("");
      setBeside("");
    }
  };
  return (
    <section aria-labelledby="pressure" className="flex flex-col gap-3">
      <h3 id="pressure" className="text-xl">
        Pressure test
      </h3>
      <p className="text-ink-2">
        Cold, pumped up to what its cap holds, {format(capGaugeKPa, "pressure", system)}, and left 10 to 15
        min. The cap is tested apart.
      </p>
      {found && (
        <p role="status" className="flex items-start gap-2">
          <VerdictShape verdict={MARK[found.verdict]} />
          <span>
            <span className="font-bold">{SAID[found.verdict]}.</span> {inShownUnits(found.because, system)}
          </span>
        </p>
      )}
      <form
        className="flex flex-wrap items-start gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          save(readings.length === 0);
        }}
      >
        <div className="w-40">
          <TextField
            label="Gauge reads"
            inputMode="decimal"
            className="figure"
            maxLength={12}
            unit={SHOWN.pressure[system].label}
            value={pressure}
            disabled={!mayBook}
            error={isWrong ? "A pressure from nothing up." : undefined}
            onChange={(event) => setPressure(event.target.value)}
          />
        </div>
        <div className="w-44">
          <TextField
            label="Coolant beside it"
            inputMode="decimal"
            className="figure"
            maxLength={12}
            unit={SHOWN.temperature[system].label}
            value={beside}
            disabled={!mayBook}
            error={isBesideWrong ? "A temperature of coolant." : undefined}
            onChange={(event) => setBeside(event.target.value)}
          />
        </div>
        <Button
          type="submit"
          className="mt-7"
          disabled={!mayBook || kPa === undefined || isWrong || isBesideWrong}
        >
          {readings.length === 0 ? "Begin with this" : "Book this reading"}
        </Button>
        {readings.length > 0 && (
          <Button
            weight="quiet"
            className="mt-7"
            disabled={!mayBook || kPa === undefined || isWrong || isBesideWrong}
            onClick={() => save(true)}
          >
            Begin anew with it
          </Button>
        )}
        <Button
          weight="quiet"
          className="mt-7"
          disabled={!mayBook || tester.state !== "idle"}
          onClick={() => void tester.load("/instruments/pressure")}
        >
          Read the tester
        </Button>
      </form>
      {answer && "trouble" in answer && (
        <p role="status" className="border-ink border-l-4 pl-3">
          {answer.trouble}
        </p>
      )}
      {found && found.verdict !== "not-seen" && (
        <Button
          className="self-start"
          disabled={!mayBook}
          onClick={() =>
            book({
              kind: "test",
              item: "pressure test",
              text: `${SAID[found.verdict].toLowerCase()}: ${found.because.replace(/\.$/, "")}`.slice(0, 300),
            })
          }
        >
          Book that: {SAID[found.verdict].toLowerCase()}
        </Button>
      )}
    </section>
  );
}
