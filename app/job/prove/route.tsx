import { Upload } from "lucide-react";
import { type DragEvent, useEffect, useRef, useState } from "react";
import { v4 as newId } from "uuid";
import { factsOf, WarmUpLog } from "../../../core/book/facts/index.ts";
import { restedHours } from "../../../core/stages/find/index.ts";
import { traceSpecOf } from "../../../core/trade/car/index.ts";
import { decodeLog, MOST_CHARACTERS, type TraceSpec } from "../../../core/trade/trace/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { useOutbox, useOutboxLines } from "../../outbox/OutboxProvider.tsx";
import type { Parcel } from "../../outbox/outbox.ts";
import { Button } from "../../ui/Button.tsx";
import { later } from "../../ui/later.ts";
import { CardLink } from "../stage/CardLink.tsx";
import { ColdCheck } from "../stage/ColdCheck.tsx";
import { useJob, useWaiting } from "../stage/context.ts";
import { stage } from "../stage/stage.tsx";
import { Cautions, Work } from "../stage/Work.tsx";
import { Checks } from "./Checks.tsx";
import { Compare } from "./Compare.tsx";
import { PressureTest } from "./PressureTest.tsx";
import { Proofs } from "./Proofs.tsx";
import { Stood, stoodAnswer, stoodHours } from "./Stood.tsx";
import { useJudge } from "./useJudge.ts";

interface Chosen {
  id: string;
  name: string;
  bytes: Uint8Array<ArrayBuffer>;
  isBooked: boolean;
  /** How long the engine had stood, as somebody answered or the book knows. */
  stood: string;
}

const MEGA = 1e6;

function useSpec(): TraceSpec | undefined {
  const { card } = useJob().page;
  return card ? traceSpecOf(card) : undefined;
}

const CAUTIONS = ["Engine running: doors open, extraction on. Loose sleeves away from belts and fans."];

const warmUpChart = later(() => import("./WarmUpChart.tsx"));

/** Drop a warm-up log in, see what it proves, book it. */
function Prove() {
  const { page, entries, system, mayBook, book } = useJob();
  const waiting = useWaiting();
  const { unsent } = useOutboxLines();
  const outbox = useOutbox();
  const spec = useSpec();
  const WarmUpChart = warmUpChart.use()?.WarmUpChart;
  const { judging, judge, forget } = useJudge(spec);
  // A log that is chosen and not booked survives going elsewhere.
  const [draft, setDraft] = useDraft<Chosen | undefined>(`log:${page.job.id}`, undefined);
  const [chosen, setChosen] = useState<Chosen>();
  const [trouble, setTrouble] = useState("");
  const [isOver, setOver] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const booked = factsOf(entries, WarmUpLog).map(({ fact }) => fact);
  const show = (log: Chosen) => {
    setTrouble("");
    setChosen(log);
    if (!log.isBooked) setDraft(log);
    void judge(decodeLog(log.bytes), stoodHours(log.stood));
  };
  const take = async (file: File | undefined) => {
    if (!file) return;
    forget();
    setChosen(undefined);
    if (file.size > MOST_CHARACTERS)
      return setTrouble(
        `“${file.name}” is ${Math.round(file.size / MEGA)} MB; at most ${MOST_CHARACTERS / MEGA} MB can be read. Export one warm-up, or fewer columns.`,
      );
    show({
      id: newId(),
      name: file.name.slice(0, 200),
      bytes: new Uint8Array(await file.arrayBuffer()),
      isBooked: false,
      stood: stoodAnswer(restedHours(entries, new Date().toISOString())),
    });
  };
  const open = async (logId: string, name: string, restedH?: number) => {
    forget();
    const response = await fetch(`/jobs/${page.job.id}/logs/${logId}/as-handed-in.csv`).catch(
      () => undefined,
    );
    if (!response?.ok)
      return setTrouble(`“${name}” could not be fetched. Try again when the server answers.`);
    show({
      id: logId,
      name,
      bytes: new Uint8Array(await response.arrayBuffer()),
      isBooked: true,
      stood: stoodAnswer(restedH),
    });
  };
  const last = booked.at(-1);
  const lastId = last?.logId;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the last booked log is shown by itself, once
  useEffect(() => {
    if (lastId && !chosen && !draft && spec) void open(lastId, last.log, last.restedH);
  }, [lastId]);
  const draftId = draft?.id;
  // biome-ignore lint/correctness/useExhaustiveDependencies: a log that was left unbooked is shown by itself, once
  useEffect(() => {
    if (draft && spec && chosen?.id !== draft.id) show(draft);
  }, [draftId]);
  const refused = unsent.find(({ entry }) => entry.id === chosen?.id)?.refused;
  const isWaiting = chosen !== undefined && waiting.has(chosen.id);
  const isBooked = chosen && (chosen.isBooked || booked.some(({ logId }) => logId === chosen.id));
  const log = judging.state === "done" ? judging.log : undefined;
  const bookIt = () => {
    if (!chosen) return;
    const { id, name, bytes } = chosen;
    const restedH = stoodHours(chosen.stood);
    const parcel: Parcel = { kind: "log", name, bytes, ...(restedH === undefined ? {} : { restedH }) };
    if (refused) void outbox.discard(id);
    if (book({ kind: "reading", item: "warm-up log", text: `${name}, judged once it is sent` }, [id], parcel))
      setDraft(undefined);
  };
  const putAway = () => {
    forget();
    setChosen(undefined);
    setDraft(undefined);
    if (last) void open(last.logId, last.log, last.restedH);
  };
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    void take(event.dataTransfer.files[0]);
  };
  const hasLog = Boolean(log?.analysis && chosen);
  // Room for the booked log that is on its way, so that nothing jumps when it comes.
  const isFirst = !chosen || chosen.isBooked;
  const isComing = Boolean(
    lastId && spec && isFirst && !hasLog && !log && !trouble && judging.state !== "broken",
  );
  const dropHere = spec && (
    // biome-ignore lint/a11y/noStaticElementInteractions: dropping is a second way; the button inside is the first
    <div
      className={`flex flex-wrap items-center gap-4 rounded-md border-2 border-dashed p-4 ${isOver ? "border-ink bg-wash" : "border-edge"}`}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
    >
      <Upload aria-hidden="true" />
      <p className="min-w-48 flex-1">
        {hasLog ? "Drop another warm-up log here." : "Drop a warm-up log here."}{" "}
        <span className="text-ink-2">CSV with a time and a coolant temperature.</span>
      </p>
      <Button onClick={() => input.current?.click()}>Choose a file</Button>
      <input
        ref={input}
        type="file"
        accept=".csv,.tsv,.txt,text/csv,text/plain"
        className="sr-only"
        tabIndex={-1}
        aria-label="Warm-up log"
        onChange={(event) =>
          void take(event.target.files?.[0]).then(
            () => event.target && Object.assign(event.target, { value: "" }),
          )
        }
      />
    </div>
  );
  const canBook = log?.analysis && !isBooked && mayBook && (!isWaiting || refused);
  return (
    <Work
      title="Does it do what the card says?"
      act={
        canBook && (
          <>
            <Button weight="quiet" onClick={putAway}>
              Put it away
            </Button>
            <Button onClick={bookIt}>Book this log</Button>
          </>
        )
      }
      next={{ label: "On to Sign", to: "sign" }}
    >
      <Cautions texts={CAUTIONS} />
      {!spec && (
        <p className="font-bold">
          This vehicle has no cooling card, so a log can't be judged. <CardLink vehicleId={page.vehicle.id} />
        </p>
      )}
      {!hasLog && !isComing && dropHere}
      {isComing && <div aria-hidden="true" className="min-h-[44rem]" />}
      <div role="status" className="contents">
        {judging.state === "reading" && <p>Reading {chosen?.name}.</p>}
        {(trouble || refused) && <p className="border-ink border-l-4 pl-3 font-bold">{trouble || refused}</p>}
        {judging.state === "broken" && (
          <p className="border-ink border-l-4 pl-3 font-bold">{judging.message}</p>
        )}
        {log && !log.analysis && (
          <p className="border-ink border-l-4 pl-3 font-bold">
            {log.problems.find((problem) => problem.stops)?.message} Nothing was booked.
          </p>
        )}
      </div>
      {log?.analysis && chosen && spec && (
        <section aria-labelledby="log" className="flex flex-col gap-4">
          <h3 id="log" className="flex flex-wrap items-baseline gap-x-4 text-xl">
            <span className="break-all">{chosen.name}</span>
            <span className="font-normal text-base text-ink-2">
              {log.rows} rows ·{" "}
              {isBooked ? "booked" : isWaiting ? "booked here, not sent yet" : "not booked yet"}
            </span>
          </h3>
          {!isBooked && <Stood value={chosen.stood} onChange={(stood) => show({ ...chosen, stood })} />}
          {WarmUpChart ? (
            <WarmUpChart log={log} spec={spec} system={system} />
          ) : (
            <div className="aspect-[760/350]" />
          )}
          <Checks checks={log.analysis.checks} system={system} />
          {(log.problems.length > 0 || log.assumed.length > 0) && (
            <details>
              <summary className="min-h-12 py-3 font-bold">
                {log.problems.length + log.assumed.length}{" "}
                {log.problems.length + log.assumed.length === 1 ? "remark" : "remarks"} on how it was read
              </summary>
              <ul className="list-disc pl-6">
                {[...log.assumed, ...log.problems.map((problem) => problem.message)].map((remark) => (
                  <li key={remark}>{remark}</li>
                ))}
              </ul>
            </details>
          )}
        </section>
      )}
      {(hasLog || isComing) && dropHere}
      {booked.length > 0 && (
        <section aria-labelledby="booked">
          <h3 id="booked" className="text-xl">
            Booked logs
          </h3>
          <ul>
            {booked.map(({ logId, log: name, restedH }) => (
              <li key={logId} className="flex flex-wrap items-center gap-x-5 border-rule border-b py-1">
                <Button weight="quiet" className="px-1" onClick={() => void open(logId, name, restedH)}>
                  {name}
                </Button>
                <a
                  className="inline-flex min-h-12 items-center underline underline-offset-4"
                  href={`/jobs/${page.job.id}/logs/${logId}/warm-up.csv`}
                  download
                >
                  as CSV in °C and seconds
                </a>
                <a
                  className="inline-flex min-h-12 items-center underline underline-offset-4"
                  href={`/jobs/${page.job.id}/logs/${logId}/as-handed-in.csv`}
                  download
                >
                  as it was handed in
                </a>
              </li>
            ))}
          </ul>
        </section>
      )}
      {spec && <Compare spec={spec} />}
      <Proofs />
      <PressureTest />
      <ColdCheck />
    </Work>
  );
}

export default stage(Prove);
