import { type ReactNode, useCallback, useMemo, useState } from "react";
import { quarterOf } from "../../../core/stages/find/index.ts";
import { type FindRead, readFind, withPlan } from "../../../server/books/jobs/read-find.ts";
import { readJob } from "../../../server/books/jobs/read-job.ts";
import { guarded } from "../../desk/guard.server.ts";
import { keptReading } from "../../kept/reading.ts";
import { staysOnItsJob } from "../../kept/stays-on-its-job.ts";
import { Button } from "../../ui/Button.tsx";
import { LaterPart } from "../../ui/LaterPart.tsx";
import { later } from "../../ui/later.ts";
import { Comeback } from "../comeback/Comeback.tsx";
import { useJob } from "../stage/context.ts";
import { FoldOfJob } from "../stage/Fold.tsx";
import { type StageRead, stage } from "../stage/stage.tsx";
import { type Tool, ToolTabs } from "../stage/ToolTabs.tsx";
import { Work } from "../stage/Work.tsx";
import { ByHand } from "./ByHand.tsx";
import { type Find as FindView, type KnownFind, useFind } from "./belief/useFind.ts";
import { CircuitMap } from "./CircuitMap.tsx";
import { Done } from "./Done.tsx";
import { NextTest } from "./NextTest.tsx";
import { OtherTests } from "./OtherTests.tsx";
import { Overnight } from "./Overnight.tsx";
import { SettleCircuit } from "./SettleCircuit.tsx";
import { Suspects } from "./Suspects.tsx";
import { TwoFaults } from "./TwoFaults.tsx";
import { VerdictCard } from "./VerdictCard.tsx";

const liveLog = later(async () => (await import("../live/LiveLog.tsx")).LiveLog);
const explain = later(async () => (await import("../health/Explain.tsx")).Explain);
const instruments = later(async () => (await import("./instruments/Instruments.tsx")).Instruments);

const beliefPicture = later(() => import("./BeliefPicture.tsx"));

export const loader = guarded("desk", async ({ params, desk, once }) => {
  const now = quarterOf(Date.now());
  const id = params.jobId ?? "";
  const page = await once(`job ${id}`, () => desk((given) => readJob(given, id)));
  return { read: withPlan(await desk((given) => readFind(given, id, now, page))), isByHandbook: false };
});

/** Its other jobs and the shop's history don't change with a line of this one, and the browser plans for itself. */
export const shouldRevalidate = staysOnItsJob("job/find/route");

/** With nothing read in this browser yet Find goes by the handbook, and says so. */
export const clientLoader = keptReading<Awaited<ReturnType<typeof loader>>>("job/find/route", async () => {
  const now = quarterOf(Date.now());
  const read: FindRead = { histories: {}, recent: null, notOnThisCar: [], now, planned: null };
  return { read, isByHandbook: true };
});

/** The next test, the verdict and the circuit are Find's own surface. */
const isFinds = ({ id }: { id: string }) => /^find(?:$|:circuit$|:test:|:verdict:)/.test(id);

const isTaken = ({ results, cannot }: KnownFind["state"], id: string) =>
  [...results, ...cannot].some(({ test }) => test === id);

const isKnown = (find: FindView): find is KnownFind => find.state !== undefined;

function Booked({ find }: { find: FindView }) {
  if (!find.finding) return null;
  return (
    <p className="border-ink border-l-[6px] bg-wash py-1 pl-4" role="status">
      <span>{find.finding.kind === "nothing-wrong" ? "Booked: nothing wrong." : "Booked as the fault:"}</span>{" "}
      <span className="font-bold">{find.finding.words}</span>
      {find.mayBook && (
        <Button
          data-undoes
          weight="quiet"
          className="ml-2 px-2"
          onClick={() => find.finding && find.strike(find.finding.entryId, "decision")}
        >
          Take it back
        </Button>
      )}
    </p>
  );
}

/** What a finding was booked on is one line on a page that comes after it; whoever takes it back finds all of it again. */
function Led({
  find,
  isAsked,
  children,
}: {
  find: KnownFind;
  /** A test was chosen after all: it is shown where it is asked for. */
  isAsked: boolean;
  children: ReactNode;
}) {
  const [wasFound] = useState(find.finding !== undefined);
  if (!wasFound || !find.finding || isAsked) return children;
  return (
    <FoldOfJob
      name="What led to it"
      says="the test that would tell most, what is still possible"
      folds="always"
      className="font-bold text-xl"
    >
      {children}
    </FoldOfJob>
  );
}

/** Find of one job: nothing that is shown, chosen or half thought of one car is carried over to the next. */
function Find({ read: { read, isByHandbook } }: StageRead<typeof loader>) {
  const { job } = useJob().page;
  return <FindOfJob key={job.id} read={read} isByHandbook={isByHandbook} />;
}

export default stage<typeof loader>(Find);

/** What is still possible, what to test next and why, and the verdict when enough is known. */
function FindOfJob({ read, isByHandbook }: { read: FindRead; isByHandbook: boolean }) {
  const { recent } = read;
  const find = useFind(read);
  const BeliefPicture = beliefPicture.use()?.BeliefPicture;
  const [chosen, setChosen] = useState<{ test: string; isRepeat: boolean }>();
  const [testsOn, setTestsOn] = useState(false);
  const view = useMemo(
    (): FindView => ({
      ...find,
      report: (...given) => {
        find.report(...given);
        setChosen(undefined);
      },
    }),
    [find],
  );
  const choose = useCallback(
    (test: string) => setChosen({ test, isRepeat: find.state !== undefined && isTaken(find.state, test) }),
    [find.state],
  );
  if (!isKnown(find) || !isKnown(view)) {
    return (
      <Work title="How is the fan controlled?" isDrawn={isFinds} next={{ label: "On to Plan", to: "plan" }}>
        <Booked find={find} />
        <SettleCircuit />
        <Done find={find} onTest={() => undefined} />
        <ByHand find={find} />
      </Work>
    );
  }
  const { state, offer, finding } = find;
  const best = state.actions.find(({ kind }) => kind === "test")?.id;
  const isStillChosen = chosen !== undefined && (chosen.isRepeat || !isTaken(state, chosen.test));
  const shown = isStillChosen ? chosen.test : offer && !testsOn ? undefined : best;
  const next = finding
    ? finding.kind === "nothing-wrong"
      ? { label: "On to Sign", to: "sign" }
      : { label: "On to Plan", to: "plan" }
    : {
        label: offer ? "To the verdict" : "Next test",
        onGo: () => {
          setChosen(undefined);
          setTestsOn(false);
          document.querySelector<HTMLElement>("#next-test, #verdict")?.focus();
        },
      };
  const tools: Tool[] = [
    [
      "map",
      "Map",
      <FoldOfJob
        key="map"
        name="Circuit"
        says={state.circuit.name}
        folds="narrow"
        className="font-bold sm:sr-only"
      >
        <CircuitMap circuit={state.circuit} standings={state.standings} testId={shown} />
      </FoldOfJob>,
    ],
    ["tests", "Other tests", <OtherTests key="tests" find={view} shown={shown} onTest={choose} />],
    ["live", "Live log", <LaterPart key="live" part={liveLog} given={{}} />],
    ["explain", "Explain a log", <LaterPart key="explain" part={explain} given={{}} />],
    ["instruments", "Instruments", <LaterPart key="instruments" part={instruments} given={{ find: view }} />],
    ...(state.evidence.length > 0 && BeliefPicture
      ? [["belief", "Belief", <BeliefPicture key="belief" find={view} />] as Tool]
      : []),
    ["done", "Done", <Done key="done" find={find} onTest={choose} />],
    ["own", "By hand", <ByHand key="own" find={find} />],
  ];
  return (
    <Work title={`Find: ${state.circuit.name}`} isTitleQuiet isDrawn={isFinds} next={next}>
      {isByHandbook && (
        <p role="status" className="text-ink-2">
          This goes by the handbook, without the shop's own history: no server to be had.
        </p>
      )}
      {recent && <Comeback recent={recent} weighed />}
      <Booked find={find} />
      <TwoFaults find={view} onTest={choose} />
      <Led find={find} isAsked={isStillChosen}>
        <div className="grid items-start gap-x-8 gap-y-6 max-sm:gap-y-4 drawer:lg:grid-cols-[1.15fr_1fr] xl:grid-cols-[1.15fr_1fr]">
          {shown ? (
            <NextTest key={shown} find={view} testId={shown} isChosen={isStillChosen} />
          ) : offer ? (
            <VerdictCard find={find} offer={offer} onTestOn={best ? () => setTestsOn(true) : undefined} />
          ) : (
            <p>
              No test is left that can be done here. Mark one as possible again, or write your own verdict
              below.
            </p>
          )}
          <Suspects find={view} onTest={choose} />
        </div>
      </Led>
      <Overnight find={find} />
      <ToolTabs label="Find" tools={tools} />
    </Work>
  );
}
