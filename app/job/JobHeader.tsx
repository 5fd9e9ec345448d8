import { Lock } from "lucide-react";
import { memo, useState } from "react";
import { Link } from "react-router";
import { waits } from "../../core/book/acts/index.ts";
import { WAITS, type WaitKind } from "../../core/book/facts/index.ts";
import { typedFigure } from "../../core/kernel/csv/index.ts";
import { format } from "../../core/kernel/units/index.ts";
import { fromWords } from "../../core/report/index.ts";
import { waitOf } from "../../core/stages/overview/index.ts";
import { bledVehicle } from "../../core/state/index.ts";
import { useMember } from "../desk/member.ts";
import { useDraft } from "../drafts/useDraft.ts";
import { Button } from "../ui/Button.tsx";
import { ChipsOne } from "../ui/Chips.tsx";
import { dateOf } from "../ui/dates.ts";
import { TextField } from "../ui/Field.tsx";
import { Pop } from "../ui/Pop.tsx";
import { useNow } from "../ui/useNow.ts";
import { waitUntilWords } from "../ui/waits.ts";
import type { JobContext } from "./stage/context.ts";

/** How long a wait lasts is told in minutes. */
const LOOK_MS = 10_000;
const WAIT_NAMES: Record<WaitKind, string> = {
  hands: "hands",
  heat: "heat",
  parts: "parts",
  night: "a night",
  owner: "the owner",
};
const NAMES = WAITS.map((wait) => WAIT_NAMES[wait]);

function Waits({ context }: { context: JobContext }) {
  const { entries, page, book, maySay, timeZone } = context;
  const { altitudeM } = useMember();
  const now = useNow(true, LOOK_MS);
  const wait = waitOf(
    entries,
    page.job.openedAt,
    bledVehicle(entries, page.card, altitudeM),
    new Date(now).toISOString(),
  );
  const [isOpen, setOpen] = useState(false);
  const [chosen, setChosen] = useState(WAIT_NAMES[wait.waitsFor]);
  const [words, setWords] = useDraft(`waits:${page.job.id}`);
  const [minutes, setMinutes] = useDraft(`waits-minutes:${page.job.id}`);
  const until = waitUntilWords(wait, now, timeZone);
  const figure = typedFigure(minutes) ?? Number.NaN;
  const isWrong = minutes !== "" && !(figure >= 1 && figure <= 20_000);
  const save = () => {
    const waitsFor = WAITS.find((each) => WAIT_NAMES[each] === chosen);
    if (!waitsFor || isWrong) return;
    const text = words.trim() || (waitsFor === "hands" ? "somebody to go on" : WAIT_NAMES[waitsFor]);
    const until = minutes === "" ? undefined : new Date(Date.now() + figure * 60_000).toISOString();
    book(waits(waitsFor, text, until));
    setWords("");
    setMinutes("");
    setOpen(false);
  };
  if (!maySay) return null;
  return (
    <Pop
      trigger={{
        className:
          "inline-flex min-h-12 shrink-0 items-center gap-2 whitespace-nowrap rounded-md border-2 border-edge px-3 max-sm:min-w-0 max-sm:shrink",
        children: (
          <>
            <span className="text-ink-2 max-sm:sr-only">waits for</span>
            <span className="font-bold">{WAIT_NAMES[wait.waitsFor]}</span>
            {until && <span className="hidden text-ink-2 xl:inline">{until}</span>}
          </>
        ),
      }}
      label="What the job waits for, and how long"
      align="end"
      className="z-40 flex w-[26rem] max-w-[94vw] flex-col gap-4 rounded-md border-2 border-ink bg-sheet p-5"
      isOpen={isOpen}
      onOpenChange={setOpen}
    >
      <ChipsOne
        label="What the job waits for"
        options={NAMES}
        value={chosen}
        onChange={(value) => value && setChosen(value)}
      />
      <TextField
        label="For what"
        value={words}
        maxLength={120}
        onChange={(event) => setWords(event.target.value)}
        placeholder={wait.words || "cooling, a part on Thursday"}
      />
      <TextField
        label="For how long, if known"
        value={minutes}
        inputMode="numeric"
        unit="min"
        onChange={(event) => setMinutes(event.target.value)}
        error={isWrong ? "Minutes from 1 to 20 000." : undefined}
      />
      <Button weight="main" onClick={save}>
        Book it
      </Button>
    </Pop>
  );
}

/** The vehicle in one line. */
export const JobHeader = memo(function JobHeader({ context }: { context: JobContext }) {
  const { vehicle, job } = context.page;
  const { timeZone } = useMember();
  const rest = [
    vehicle.name,
    vehicle.distanceKm === null ? "" : format(vehicle.distanceKm, "distance", context.system),
    job.bay,
    job.assignedTo ?? "",
    context.page.cardTakenFrom
      ? `card of ${context.page.cardTakenFrom}, the same model: not looked at here`
      : "",
    job.from ? fromWords(job.from, (iso) => dateOf(iso, timeZone)) : "",
  ].filter(Boolean);
  return (
    // As high for one line as for two, so that nothing below it moves when the type arrives.
    <header className="flex min-h-[4.2rem] items-center justify-between gap-x-6 max-sm:min-w-0 max-sm:flex-1 gap-y-2 px-5 pt-2 max-sm:gap-x-2 max-sm:pt-0 max-sm:pr-2 lg:px-7">
      <div className="flex min-w-0 flex-wrap items-baseline gap-x-4 max-sm:flex-nowrap">
        <h1 className="figure whitespace-nowrap text-2xl max-sm:text-lg">
          <Link to={`/vehicles/${vehicle.id}`}>{vehicle.plate}</Link>
        </h1>
        <p className="max-sm:sr-only">{rest.join(" · ")}</p>
      </div>
      {job.signedAt ? (
        <p className="inline-flex min-h-12 items-center gap-2 font-bold">
          <Lock size={20} aria-hidden="true" /> signed by {job.signedBy}
        </p>
      ) : (
        <Waits context={context} />
      )}
    </header>
  );
});
