import type { EntryDraft } from "../../../core/book/entry/index.ts";
import {
  Codes,
  Complaint,
  CoolantLevel,
  Distance,
  dataOf,
  Gauge,
  Happens,
  Trouble,
} from "../../../core/book/facts/index.ts";
import { format, SHOWN } from "../../../core/kernel/units/index.ts";
import { fallenDistance } from "../../../core/state/index.ts";
import { MOST_KM, readDistance } from "../../../core/trade/car/index.ts";
import { TROUBLES } from "../../../core/trade/diagnosis/knowledge/index.ts";
import { useMember } from "../../desk/member.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { Button } from "../../ui/Button.tsx";
import { ChipsMany, ChipsOne } from "../../ui/Chips.tsx";
import { TextArea, TextField } from "../../ui/Field.tsx";
import { useJob } from "../stage/context.ts";
import { stage } from "../stage/stage.tsx";
import { Work } from "../stage/Work.tsx";
import { answersOf, type Question } from "./answers.ts";

const HAPPENS = [
  "standing still",
  "on the road",
  "uphill",
  "towing",
  "hot weather",
  "cold weather",
  "after a drive",
  "after a night",
  "with air conditioning",
  "after recent work",
] as const;
const GAUGES = ["cold", "below half", "half", "three quarters", "in the red", "not working"] as const;
const LEVELS = {
  "at the line": "line",
  "at the minimum": "min",
  "below the minimum": "low",
  "none to be seen": "empty",
} as const;

function Ask() {
  const { page, entries, system, book, mayBook } = useJob();
  const { name } = useMember();
  const answers = answersOf(entries);
  const [complaint, setComplaint] = useDraft(`complaint:${page.job.id}`);
  const [distance, setDistance] = useDraft(`distance:${page.job.id}`);
  const [codes, setCodes] = useDraft(`codes:${page.job.id}`);
  const [troubles, setTroubles] = useDraft<string[] | undefined>(`troubles:${page.job.id}`, undefined);
  const [happens, setHappens] = useDraft<string[] | undefined>(`happens:${page.job.id}`, undefined);
  const [gauge, setGauge] = useDraft<string | undefined>(`gauge:${page.job.id}`, undefined);
  const [level, setLevel] = useDraft<string | undefined>(`level:${page.job.id}`, undefined);
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
    if (before) drafts.push({ kind: "reading", corrects: before.id });
  };
  if (complaint.trim())
    put(
      "complaint",
      { kind: "note", item: "complaint", text: complaint.trim(), data: dataOf(Complaint, {}) },
      complaint.trim() === answers.complaint?.text,
    );
  if (km !== undefined)
    put(
      "distance",
      { kind: "reading", item: "distance", value: km, unit: "km", data: dataOf(Distance, {}) },
      km === answers.distance?.value,
    );
  for (const [question, chips, kind] of [
    ["trouble", troubles, Trouble],
    ["happens", happens, Happens],
  ] as const) {
    if (chips?.length === 0) clear(question);
    if (!chips?.length) continue;
    const text = chips.join(", ");
    put(
      question,
      { kind: "reading", item: question, text, data: dataOf(kind, { chips }) },
      text === answers[question]?.text,
    );
  }
  if (gauge === "") clear("gauge");
  else if (gauge)
    put(
      "gauge",
      { kind: "reading", item: "gauge", text: gauge, data: dataOf(Gauge, {}) },
      gauge === answers.gauge?.text,
    );
  const mark = LEVELS[level as keyof typeof LEVELS];
  if (level === "") clear("coolant level");
  else if (mark)
    put(
      "coolant level",
      { kind: "reading", item: "coolant level", text: level, data: dataOf(CoolantLevel, { level: mark }) },
      level === answers["coolant level"]?.text,
    );
  if (codes.trim())
    put(
      "codes",
      { kind: "reading", item: "codes", text: codes.trim(), data: dataOf(Codes, {}) },
      codes.trim() === answers.codes?.text,
    );

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
          options={Object.values(TROUBLES)}
          value={troubles ?? answers.trouble?.chips ?? []}
          onChange={setTroubles}
        />
      </section>
      <section aria-labelledby="happens">
        <h3 id="happens" className="mb-2 font-bold">
          When does it happen?
        </h3>
        <ChipsMany
          label="When does it happen?"
          options={HAPPENS}
          value={happens ?? answers.happens?.chips ?? []}
          onChange={setHappens}
        />
      </section>
      <div className="grid gap-6 xl:grid-cols-2">
        <section aria-labelledby="gauge">
          <h3 id="gauge" className="mb-2 font-bold">
            Gauge <span className="font-normal text-ink-2">a poor witness</span>
          </h3>
          <ChipsOne
            label="Gauge"
            options={GAUGES}
            value={gauge ?? answers.gauge?.text ?? ""}
            onChange={setGauge}
          />
        </section>
        <section aria-labelledby="level">
          <h3 id="level" className="mb-2 font-bold">
            Coolant level <span className="font-normal text-ink-2">through the tank, cap shut</span>
          </h3>
          <ChipsOne
            label="Coolant level"
            options={Object.keys(LEVELS)}
            value={level ?? (answers["coolant level"]?.text ?? "").split(",")[0] ?? ""}
            onChange={setLevel}
          />
        </section>
      </div>
      {!mayBook && <Button disabled>Only technicians write in an open book</Button>}
    </Work>
  );
}

export default stage(Ask);
