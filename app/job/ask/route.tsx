import {
  complained,
  ranDistance,
  readCodes,
  saidHappens,
  saidTrouble,
  sawGauge,
  sawLevel,
  struck,
} from "../../../core/book/acts/index.ts";
import type { EntryDraft } from "../../../core/book/entry/index.ts";
import { LEVEL_WORDS } from "../../../core/book/out/index.ts";
import { format, SHOWN } from "../../../core/kernel/units/index.ts";
import { fallenDistance } from "../../../core/state/index.ts";
import { MOST_KM, readDistance } from "../../../core/trade/car/index.ts";
import {
  GAUGES,
  type GaugeStood,
  HAPPENS,
  type HappensWhen,
  TROUBLES,
  type Trouble as TroubleId,
} from "../../../core/trade/diagnosis/knowledge/index.ts";
import { useMember } from "../../desk/member.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { Button } from "../../ui/Button.tsx";
import { ChipsMany, ChipsOne } from "../../ui/Chips.tsx";
import { TextArea, TextField } from "../../ui/Field.tsx";
import { useJob } from "../stage/context.ts";
import { stage } from "../stage/stage.tsx";
import { Work } from "../stage/Work.tsx";
import { answersOf, type Question } from "./answers.ts";

const LEVELS = ["line", "min", "low", "empty"] as const;

function Ask() {
  const { page, entries, system, book, mayBook } = useJob();
  const { name } = useMember();
  const answers = answersOf(entries);
  const [complaint, setComplaint] = useDraft(`complaint:${page.job.id}`);
  const [distance, setDistance] = useDraft(`distance:${page.job.id}`);
  const [codes, setCodes] = useDraft(`codes:${page.job.id}`);
  const [troubles, setTroubles] = useDraft<TroubleId[] | undefined>(
    `said-troubles:${page.job.id}`,
    undefined,
  );
  const [happens, setHappens] = useDraft<HappensWhen[] | undefined>(`said-happens:${page.job.id}`, undefined);
  const [gauge, setGauge] = useDraft<GaugeStood | "" | undefined>(`saw-gauge:${page.job.id}`, undefined);
  const [level, setLevel] = useDraft<(typeof LEVELS)[number] | "" | undefined>(
    `saw-level:${page.job.id}`,
    undefined,
  );
  const km = distance.trim() === "" ? undefined : readDistance(distance, system);
  const isDistanceWrong = distance.trim() !== "" && km === undefined;
  const lastKm = page.vehicle.distanceKm;
  const trouble =
    km === undefined
      ? undefined
      : fallenDistance(entries, page, { km, corrects: answers.distance?.id }, system);

  const known = answers.distance?.value ?? lastKm;
  const distanceHint = trouble
    ? `${trouble.words} Look again, or book it and say why in a note.`
    : known === null || known === undefined
      ? undefined
      : `${answers.distance ? "In the book" : "Last time"}: ${format(known, "distance", system)}`;

  const drafts: EntryDraft[] = [];
  const put = (question: Question, draft: EntryDraft, isSame: boolean) => {
    const before = answers[question];
    if (!isSame) drafts.push(before ? { ...draft, corrects: before.id } : draft);
  };
  /** A booked answer that was cleared is struck: what isn't said any more doesn't count. */
  const clear = (question: Question) => {
    const before = answers[question];
    if (before) drafts.push(struck(before.id, "reading"));
  };
  const isSaid = (chips: readonly string[] = [], before: Question) =>
    [...chips].sort().join() === [...(answers[before]?.chips ?? [])].sort().join();
  const said = complaint.trim();
  if (said) put("complaint", complained(said), said === answers.complaint?.text);
  if (km !== undefined) put("distance", ranDistance(km), km === answers.distance?.value);
  if (troubles?.length === 0) clear("trouble");
  else if (troubles) put("trouble", saidTrouble(troubles), isSaid(troubles, "trouble"));
  if (happens?.length === 0) clear("happens");
  else if (happens) put("happens", saidHappens(happens), isSaid(happens, "happens"));
  if (gauge === "") clear("gauge");
  else if (gauge) put("gauge", sawGauge(gauge), isSaid([gauge], "gauge"));
  if (level === "") clear("coolant level");
  else if (level) put("coolant level", sawLevel(level), isSaid([level], "coolant level"));
  if (codes.trim()) put("codes", readCodes(codes.trim()), codes.trim() === answers.codes?.text);

  const save = () => {
    book(drafts);
    for (const empty of [setComplaint, setDistance, setCodes]) empty("");
    for (const untouched of [setTroubles, setHappens, setGauge, setLevel]) untouched(undefined);
  };
  const isAnswered = answers.complaint && answers.distance;
  return (
    <Work
      title="What does the owner say?"
      act={
        mayBook && (
          <Button onClick={save} disabled={drafts.length === 0 || isDistanceWrong}>
            Book it
          </Button>
        )
      }
      next={{ label: isAnswered ? "On to Find" : "On to Find anyway", to: "find" }}
    >
      <p className="text-ink-2">
        Heard by {name}, now.{" "}
        {isAnswered && "What is booked stands in the book; writing here again corrects it."}
      </p>
      <TextArea
        label="Complaint, in their words"
        rows={2}
        maxLength={2000}
        value={complaint}
        placeholder={answers.complaint ? "" : "Hot in the school queue, fan not heard"}
        hint={answers.complaint && `In the book: ${answers.complaint.text}`}
        onChange={(event) => setComplaint(event.target.value)}
        disabled={!mayBook}
      />
      <div className="grid gap-5 sm:grid-cols-2">
        <TextField
          label="Distance"
          inputMode="numeric"
          maxLength={20}
          unit={SHOWN.distance[system].label}
          value={distance}
          className="figure"
          hint={distanceHint}
          error={isDistanceWrong ? `Figures only, up to ${format(MOST_KM, "distance", system)}.` : undefined}
          onChange={(event) => setDistance(event.target.value)}
          disabled={!mayBook}
        />
        <TextField
          label="Codes, as the reader shows them"
          maxLength={200}
          className="figure"
          value={codes}
          placeholder={answers.codes ? "" : "none read yet"}
          hint={answers.codes && `In the book: ${answers.codes.text}`}
          onChange={(event) => setCodes(event.target.value)}
          disabled={!mayBook}
        />
      </div>
      <section aria-labelledby="trouble">
        <h3 id="trouble" className="mb-2 font-bold">
          What is the trouble? <span className="font-normal text-ink-2">one or two; Find starts from it</span>
        </h3>
        <ChipsMany
          label="What is the trouble?"
          options={Object.keys(TROUBLES)}
          words={TROUBLES}
          value={troubles ?? answers.trouble?.chips ?? []}
          onChange={(chips) => setTroubles(chips as TroubleId[])}
        />
      </section>
      <section aria-labelledby="happens">
        <h3 id="happens" className="mb-2 font-bold">
          When does it happen?
        </h3>
        <ChipsMany
          label="When does it happen?"
          options={Object.keys(HAPPENS)}
          words={HAPPENS}
          value={happens ?? answers.happens?.chips ?? []}
          onChange={(chips) => setHappens(chips as HappensWhen[])}
        />
      </section>
      <div className="grid gap-6 xl:grid-cols-2">
        <section aria-labelledby="gauge">
          <h3 id="gauge" className="mb-2 font-bold">
            Gauge <span className="font-normal text-ink-2">a poor witness</span>
          </h3>
          <ChipsOne
            label="Gauge"
            options={Object.keys(GAUGES)}
            words={GAUGES}
            value={gauge ?? answers.gauge?.chips[0] ?? ""}
            onChange={(chip) => setGauge(chip as GaugeStood | "")}
          />
        </section>
        <section aria-labelledby="level">
          <h3 id="level" className="mb-2 font-bold">
            Coolant level <span className="font-normal text-ink-2">through the tank, cap shut</span>
          </h3>
          <ChipsOne
            label="Coolant level"
            options={LEVELS}
            words={LEVEL_WORDS}
            value={level ?? answers["coolant level"]?.chips[0] ?? ""}
            onChange={(chip) => setLevel(chip as (typeof LEVELS)[number] | "")}
          />
        </section>
      </div>
      {!mayBook && <Button disabled>Only technicians write in an open book</Button>}
    </Work>
  );
}

export default stage(Ask);
