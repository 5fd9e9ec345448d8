import { useEffect, useRef, useState } from "react";
import { inShownTemperatures } from "../../../core/kernel/units/index.ts";
import {
  type LiveAdvice,
  type LiveSample,
  liveAdvice,
  liveTrace,
  type TraceSpec,
  writeTrace,
} from "../../../core/trade/trace/index.ts";
import { Announced } from "../../ui/Announced.tsx";
import { Button } from "../../ui/Button.tsx";
import { Figure } from "../../ui/Figure.tsx";
import { later } from "../../ui/later.ts";
import { useJudge } from "../prove/useJudge.ts";
import { useJob } from "../stage/context.ts";
import { LiveCodes } from "./LiveCodes.tsx";
import { clockOfLog, LiveMarks } from "./LiveMarks.tsx";
import type { LiveSent } from "./live.form.ts";
import { useLiveLog } from "./useLive.ts";

const warmUpChart = later(() => import("../prove/WarmUpChart.tsx"));
/** Judging a log takes longer the longer it is: so many times its own duration passes in between at least. */
const JUDGED_EVERY_MS = 2000;
const REST = 10;
/** What is written each second and asked for each second is that old at most; older, nothing is read, s of the clock. */
const UNREAD_S = 6;

const last = <Name extends keyof LiveSample>(samples: readonly LiveSample[], name: Name) =>
  samples.findLast((sample) => sample[name] !== undefined)?.[name];

/** A log while it grows, and until it is kept: figures large, what to do next, its curve, and what is said to it. */
export function LiveRunning({
  logId,
  spec,
  onSay,
  onOver,
}: {
  logId: string;
  spec: TraceSpec;
  onSay: (form: LiveSent) => Promise<boolean>;
  onOver: () => void;
}) {
  const { page, system, mayBook } = useJob();
  const { shown, samples, trouble, isGone, askNow } = useLiveLog(page.job.id, logId);
  const { judging, judge } = useJudge(spec);
  const WarmUpChart = warmUpChart.use()?.WarmUpChart;
  const [isDropping, setDropping] = useState(false);
  const top = useRef<HTMLDivElement>(null);
  const isShown = shown !== undefined;
  // Whoever stands beside the engine has the figures and the buttons before them, and not what they came by.
  useEffect(() => {
    if (isShown) top.current?.closest("section")?.scrollIntoView({ block: "start" });
  }, [isShown]);
  const judged = useRef({ at: 0, took: 0, count: 0, marks: 0, isOver: false });
  const marks = shown?.marks ?? [];
  const isOver = shown?.endedAt !== undefined;
  const over = useRef(onOver);
  over.current = onOver;
  // Kept or thrown away by somebody else: asked for once.
  useEffect(() => {
    if (isGone) over.current();
  }, [isGone]);
  useEffect(() => {
    const { current } = judged;
    const now = performance.now();
    const isNew =
      samples.length !== current.count || marks.length !== current.marks || isOver !== current.isOver;
    const mayNow = isOver || now - current.at > Math.max(JUDGED_EVERY_MS, REST * current.took);
    if (!isNew || !mayNow || samples.length < 3) return;
    Object.assign(current, { at: now, count: samples.length, marks: marks.length, isOver });
    void judge(writeTrace(liveTrace(samples, marks))).then(() => {
      current.took = performance.now() - now;
    });
  });
  const log = judging.state === "done" ? judging.log : undefined;
  if (!shown) return <p role="status">{trouble || "The log is being fetched."}</p>;
  const coolantC = last(samples, "coolantC");
  const toldS = samples.findLast((sample) => sample.coolantC !== undefined)?.s ?? 0;
  const silentS = (shown.s - toldS) / shown.pace;
  const isUnread = !isOver && coolantC !== undefined && (silentS > UNREAD_S || trouble !== "");
  const advice: LiveAdvice = liveAdvice({
    spec,
    samples,
    events: log?.analysis?.events ?? [],
    ...(isUnread && { unreadS: silentS }),
  });
  const say = async (form: LiveSent) => {
    const isTaken = await onSay(form);
    askNow();
    return isTaken;
  };
  // By the log's own clock, as its curve and its file count: from the first reading on.
  const fromS = samples[0]?.s ?? shown.s;
  return (
    <div className="flex flex-col gap-5">
      <div ref={top} className="flex scroll-mt-4 flex-col gap-4">
        <div className="flex flex-wrap items-end gap-4">
          <dl className="flex flex-wrap items-end gap-x-8 gap-y-2">
            <div>
              <dt className="text-ink-2">{isUnread ? "Coolant, read last" : "Coolant"}</dt>
              <dd>
                {coolantC === undefined ? (
                  <span className="figure font-bold text-5xl">–</span>
                ) : (
                  <Figure value={coolantC} dimension="temperature" system={system} decimals={0} isKey />
                )}
              </dd>
            </div>
            <Small name="Revs" value={last(samples, "rpm")} unit="rpm" />
            <Small name="Battery" value={last(samples, "volts")} unit="V" decimals={1} />
            <div>
              <dt className="text-ink-2">{isOver ? "It ran" : "Running"}</dt>
              <dd className="figure text-3xl">{clockOfLog(shown.s - fromS)}</dd>
            </div>
          </dl>
          {!isOver && (
            <Button
              className="ml-auto"
              disabled={!mayBook || shown.isStopping}
              onClick={() => void say({ what: "stop", logId })}
            >
              {shown.isStopping ? "It is being ended" : "Stop the log"}
            </Button>
          )}
        </div>
        {!isOver && <Advice advice={advice} words={inShownTemperatures(advice.words, system)} />}
      </div>
      {(shown.trouble || trouble) && (
        <p role="status" className="border-ink border-l-4 pl-3">
          <b>{isOver ? "It ended without the car: " : "Nothing is read just now: "}</b>
          {trouble || shown.trouble}
          {!isOver && !trouble && " It is tried again by itself."}
        </p>
      )}
      {!isOver && (
        <LiveMarks spec={spec} logId={logId} marks={marks} fromS={fromS} onSay={say} mayBook={mayBook} />
      )}
      {WarmUpChart && log?.points ? (
        <WarmUpChart log={log} spec={spec} system={system} />
      ) : (
        <div className="aspect-[760/350]" />
      )}
      <LiveCodes logId={logId} asks={shown.asks} isOver={isOver} onSay={say} />
      <div className="flex flex-wrap gap-3">
        {isOver && (
          <>
            <Button
              weight="main"
              disabled={!mayBook || coolantC === undefined}
              onClick={async () => (await onSay({ what: "keep", logId })) && onOver()}
            >
              Keep it in the book
            </Button>
            <Button
              weight="quiet"
              disabled={!mayBook}
              onClick={async () => {
                if (!isDropping) setDropping(true);
                else if (await onSay({ what: "drop", logId })) onOver();
              }}
            >
              {isDropping ? "Yes, throw it away for good" : "Throw it away"}
            </Button>
          </>
        )}
        <p className="basis-full text-ink-2">
          Begun by {shown.startedBy}. Whoever opens this job sees it grow.
        </p>
      </div>
    </div>
  );
}

function Small({
  name,
  value,
  unit,
  decimals = 0,
}: {
  name: string;
  value: number | undefined;
  unit: string;
  decimals?: number;
}) {
  return value === undefined ? null : (
    <div>
      <dt className="text-ink-2">{name}</dt>
      <dd className="whitespace-nowrap">
        <span className="figure text-3xl">{value.toFixed(decimals)}</span>{" "}
        <span className="text-ink-2">{unit}</span>
      </dd>
    </div>
  );
}

/** The next thing to do, read out as it changes in kind: not with each degree. */
function Advice({ advice, words }: { advice: LiveAdvice; words: string }) {
  const isStop = advice.kind === "stop";
  return (
    <p
      className={`border-l-[6px] py-2 pl-4 text-xl ${isStop ? "border-ink bg-ink pr-4 font-bold text-paper" : advice.kind === "do" ? "border-ink font-bold" : "border-edge"}`}
    >
      {words}
      <Announced words={words} of={advice.kind + words.replaceAll(/\d+/g, "")} />
    </p>
  );
}
