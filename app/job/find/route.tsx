import { useState } from "react";
import { type ClientLoaderFunctionArgs, isRouteErrorResponse, Link, useLoaderData } from "react-router";
import { readBarredTests } from "../../../server/jobs/read-barred-tests.ts";
import { readHistoryForJob } from "../../../server/jobs/read-history.ts";
import { readRecentJob } from "../../../server/jobs/read-recent-job.ts";
import { guarded } from "../../shell/guard.server.ts";
import { Button } from "../../ui/Button.tsx";
import { Work } from "../Work.tsx";
import { BeliefPicture } from "./BeliefPicture.tsx";
import { ByHand } from "./ByHand.tsx";
import { CircuitMap } from "./CircuitMap.tsx";
import { Done } from "./Done.tsx";
import { Instruments } from "./instruments/Instruments.tsx";
import { NextTest } from "./NextTest.tsx";
import { OtherTests } from "./OtherTests.tsx";
import { SettleCircuit } from "./SettleCircuit.tsx";
import { Suspects } from "./Suspects.tsx";
import { TwoFaults } from "./TwoFaults.tsx";
import { type Find as FindView, type KnownFind, useFind } from "./useFind.ts";
import { VerdictCard } from "./VerdictCard.tsx";

export const loader = guarded("desk", async ({ params, desk }) => ({
  ...(await desk(async (given) => ({
    history: await readHistoryForJob(given, params.jobId ?? ""),
    recent: await readRecentJob(given, params.jobId ?? ""),
    notOnThisCar: await readBarredTests(given, params.jobId ?? ""),
  }))),
  isCutOff: false,
}));

/** With no server to be had Find works on without the shop's history, and says so. */
export async function clientLoader({ serverLoader }: ClientLoaderFunctionArgs) {
  try {
    return await serverLoader<typeof loader>();
  } catch (error) {
    if (error instanceof Response || isRouteErrorResponse(error)) throw error;
    return { history: {}, recent: null, notOnThisCar: [], isCutOff: true };
  }
}

const isKnown = (find: FindView): find is KnownFind => find.state !== undefined;

function Booked({ find }: { find: FindView }) {
  if (!find.finding) return null;
  return (
    <p className="border-ink border-l-[6px] bg-wash py-1 pl-4" role="status">
      <span className="text-ink-2">
        {find.finding.kind === "nothing-wrong" ? "Booked: nothing wrong." : "Booked as the fault:"}
      </span>{" "}
      <span className="font-bold">{find.finding.words}</span>
      {find.mayBook && (
        <Button
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

/** What is still possible, what to test next and why, and the verdict when enough is known. */
export default function Find() {
  const { history, recent, notOnThisCar, isCutOff } = useLoaderData<typeof clientLoader>();
  const find = useFind(history, recent !== null, notOnThisCar);
  const [chosen, setChosen] = useState<{ test: string; isRepeat: boolean }>();
  const [testsOn, setTestsOn] = useState(false);
  const [isPictured, setPictured] = useState(false);
  if (!isKnown(find)) {
    return (
      <Work title="How is the fan controlled?" next={{ label: "On to Plan", to: "plan" }}>
        <Booked find={find} />
        <SettleCircuit />
        <Done find={find} onTest={() => undefined} />
        <ByHand find={find} isOpen={false} />
      </Work>
    );
  }
  const { state, offer, finding } = find;
  const best = state.actions.find(({ kind }) => kind === "test")?.id;
  const isTaken = (id: string) =>
    state.results.some(({ test }) => test === id) || state.cannot.some(({ test }) => test === id);
  const isStillChosen = chosen !== undefined && (chosen.isRepeat || !isTaken(chosen.test));
  const choose = (test: string) => setChosen({ test, isRepeat: isTaken(test) });
  const shown = isStillChosen ? chosen.test : offer && !testsOn ? undefined : best;
  const report: KnownFind["report"] = (...given) => {
    find.report(...given);
    setChosen(undefined);
  };
  const view: KnownFind = { ...find, report };
  const next = finding
    ? finding.kind === "nothing-wrong"
      ? { label: "On to Sign", to: "sign" }
      : { label: "On to Plan", to: "plan" }
    : {
        label: offer ? "To the verdict" : "Next test",
        onClick: () => {
          setChosen(undefined);
          setTestsOn(false);
          document.querySelector<HTMLElement>("#next-test, #verdict")?.scrollIntoView({ block: "nearest" });
        },
      };
  return (
    <Work title={`Find: ${state.circuit.name}`} isTitleQuiet next={next}>
      <CircuitMap
        circuit={state.circuit}
        standings={state.standings}
        test={shown ? { id: shown, name: "" } : undefined}
      />
      {isCutOff && (
        <p role="status" className="text-ink-2">
          No server to be had: this goes by the handbook, without the shop's own history.
        </p>
      )}
      {recent && (
        <p className="text-ink-2">
          <Link className="underline underline-offset-4" to={`/jobs/${recent.id}/sign`}>
            Job {recent.number}
          </Link>{" "}
          on this vehicle was signed {recent.daysBefore === 1 ? "a day" : `${recent.daysBefore} days`} before:
          what hands leave behind is weighed in.
        </p>
      )}
      <Booked find={find} />
      <TwoFaults find={view} onTest={choose} />
      <div className="grid items-start gap-x-8 gap-y-6 border-rule border-t pt-2 xl:grid-cols-[1.15fr_1fr]">
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
      {state.evidence.length > 0 && (
        <details onToggle={(event) => setPictured(event.currentTarget.open)}>
          <summary className="min-h-12 py-3 font-bold">How belief came about</summary>
          {isPictured && <BeliefPicture find={view} />}
        </details>
      )}
      <OtherTests find={view} shown={shown} onTest={choose} />
      <Instruments find={view} />
      <Done find={find} onTest={choose} />
      <ByHand find={find} isOpen={false} />
    </Work>
  );
}
