import { factsOf, WarmUpLog } from "../../../core/book/facts/index.ts";
import { traceSpecOf } from "../../../core/trade/car/index.ts";
import { Button } from "../../ui/Button.tsx";
import { LaterPart } from "../../ui/LaterPart.tsx";
import { later } from "../../ui/later.ts";
import { CardLink } from "../stage/CardLink.tsx";
import { Cautions } from "../stage/Cautions.tsx";
import { ColdCheck } from "../stage/ColdCheck.tsx";
import { useJob } from "../stage/context.ts";
import { stage } from "../stage/stage.tsx";
import { type Tool, ToolTabs } from "../stage/ToolTabs.tsx";
import { Work } from "../stage/Work.tsx";
import { BookedLogs } from "./BookedLogs.tsx";
import { DropHere } from "./DropHere.tsx";
import { JudgedLogPart } from "./JudgedLogPart.tsx";
import { Proofs } from "./Proofs.tsx";
import { useChosenLog } from "./useChosenLog.ts";

const compare = later(async () => (await import("./Compare.tsx")).Compare);
const liveLog = later(async () => (await import("../live/LiveLog.tsx")).LiveLog);
const health = later(async () => (await import("../health/Health.tsx")).Health);
const explain = later(async () => (await import("../health/Explain.tsx")).Explain);
const pressureTest = later(async () => (await import("./PressureTest.tsx")).PressureTest);

const CAUTIONS = ["Engine running: doors open, extraction on. Loose sleeves away from belts and fans."];

/** What became of the log in hand, where it isn't simply shown. */
function Became({ of: { chosen, judging, log, trouble, refused } }: { of: ReturnType<typeof useChosenLog> }) {
  const wrong = [
    trouble || refused,
    judging.state === "broken" && judging.message,
    log && !log.analysis && `${log.problems.find(({ stops }) => stops)?.message} Nothing was booked.`,
  ].filter((words) => typeof words === "string" && words !== "");
  return (
    <div role="status" className="contents">
      {judging.state === "reading" && <p>Reading {chosen?.name}.</p>}
      {wrong.map((words) => (
        <p key={String(words)} className="border-ink border-l-4 pl-3 font-bold">
          {words}
        </p>
      ))}
    </div>
  );
}

/** Drop a warm-up log in, see what it proves, book it. */
function Prove() {
  const { page, entries, system, mayBook } = useJob();
  const spec = page.card ? traceSpecOf(page.card) : undefined;
  const booked = factsOf(entries, WarmUpLog).map(({ fact }) => fact);
  const inHand = useChosenLog(spec, booked);
  const { chosen, log, hasLog, isComing } = inHand;
  const dropHere = spec && <DropHere isAnother={hasLog} onTake={inHand.take} />;
  const logPart = (
    <div key="log" className="flex flex-col gap-5">
      <Cautions texts={CAUTIONS} />
      {!hasLog && !isComing && dropHere}
      {isComing && <div aria-hidden="true" className="min-h-[44rem]" />}
      <Became of={inHand} />
      {log?.analysis && chosen && spec && (
        <JudgedLogPart
          chosen={chosen}
          log={log}
          spec={spec}
          system={system}
          isBooked={inHand.isBooked}
          isWaiting={inHand.isWaiting}
          onStood={(stood) => inHand.show({ ...chosen, stood })}
        />
      )}
      {(hasLog || isComing) && dropHere}
      <BookedLogs jobId={page.job.id} logs={booked} onOpen={(each) => void inHand.open(each)} />
    </div>
  );
  const tools: Tool[] = [
    ["log", "Warm-up log", logPart],
    ["live", "Live log", <LaterPart key="live" part={liveLog} given={{}} />],
    ["health", "Health", <LaterPart key="health" part={health} given={{}} />],
    ["explain", "Explain", <LaterPart key="explain" part={explain} given={{}} />],
    ["proofs", "Proofs", <Proofs key="proofs" />],
    ["pressure", "Pressure", <LaterPart key="pressure" part={pressureTest} given={{}} />],
    ["cold", "Cold check", <ColdCheck key="cold" />],
    ...(spec
      ? [["compare", "Compare", <LaterPart key="compare" part={compare} given={{ spec }} />] as Tool]
      : []),
  ];
  return (
    <Work
      title="Does it do what the card says?"
      act={
        inHand.canBook &&
        mayBook && (
          <>
            <Button weight="quiet" onClick={inHand.putAway}>
              Put it away
            </Button>
            <Button onClick={inHand.bookIt}>Book this log</Button>
          </>
        )
      }
      next={{ label: "On to Sign", to: "sign" }}
    >
      {!spec && (
        <p className="font-bold">
          This vehicle has no cooling card, so a log can't be judged. <CardLink vehicleId={page.vehicle.id} />
        </p>
      )}
      <ToolTabs label="Prove" tools={tools} first={booked.length > 0 ? "proofs" : "log"} />
    </Work>
  );
}

export default stage(Prove);
