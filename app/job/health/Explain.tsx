import { answeredTest, testedOwn } from "../../../core/book/acts/index.ts";
import type { EntryDraft } from "../../../core/book/entry/index.ts";
import { hypothesisOf } from "../../../core/trade/diagnosis/knowledge/index.ts";
import type { Explained } from "../../../core/trade/health/index.ts";
import type { LogOfVehicle } from "../../../server/subjects/vehicles/read-health.ts";
import { Button } from "../../ui/Button.tsx";
import { dateOf } from "../../ui/dates.ts";
import type { ExplainedLog } from "../../workers/read-health.ts";
import { useJob } from "../stage/context.ts";
import { RedrawnCurve } from "./RedrawnCurve.tsx";
import { askExplain, useFit } from "./useFit.ts";
import { givenLog, goodFor, useVehicleLogs } from "./vehicle-logs.ts";
import { Working } from "./Working.tsx";

const BEST = 3;
const NAMED = 3;
const LINES = ["dashed", "dotted", "dashed and dotted"];
/** Farther apart, an account redraws nothing, °C; and less likely beside the others, it is no witness. */
const REDRAWN_C = 1.2;
const LIKELY = 0.05;

type Read = Extract<ExplainedLog, { explanation: unknown }> & { of: LogOfVehicle };

/** How the job's last log may have come about: the faults put into this car one after another. */
export function Explain() {
  const { page } = useJob();
  const { of } = useVehicleLogs();
  const log = of?.logs.findLast(({ jobId }) => jobId === page.job.id);
  return (
    <section aria-labelledby="explain" className="flex flex-col gap-4">
      <h3 id="explain" className="text-xl">
        How the curve may have come about
      </h3>
      {!page.card ? (
        <p>This vehicle has no cooling card: nobody knows what car to put a fault into.</p>
      ) : !of ? (
        <p role="status">Its logs are being looked up.</p>
      ) : log ? (
        <Asked log={log} good={goodFor(log, of)} />
      ) : (
        <p>No log is booked in this job yet: book one on Prove, or begin one under Live log.</p>
      )}
    </section>
  );
}

function Asked({ log, good }: { log: LogOfVehicle; good: LogOfVehicle | undefined }) {
  const { page, timeZone } = useJob();
  const { card } = page;
  const { fitting, begin, leave } = useFit<Read | { trouble: string }>();
  if (!card) return null;
  const explain = () =>
    begin(async (ask, hear) => {
      const [given, goodGiven] = await Promise.all([givenLog(log), good && givenLog(good)]);
      if (!given || (good && !goodGiven))
        return { trouble: "A log could not be fetched. Try again when the server answers." };
      const told = await askExplain(ask, hear, card, goodGiven, given);
      return "trouble" in told ? told : { ...told, of: log };
    });
  const result = fitting.state === "done" ? fitting.result : undefined;
  const trouble =
    fitting.state === "broken" ? fitting.message : result && "trouble" in result && result.trouble;
  return (
    <>
      <p className="text-ink-2">
        {log.log}: each fault that a warm-up shows is put into this car
        {good ? `, as its log of ${dateOf(good.at, timeZone)} shows it,` : ", as its card has it,"} and run
        over the same minutes.
      </p>
      <Working
        label="Explain the curve"
        words="Faults are being tried"
        fitting={fitting}
        onBegin={() => void explain()}
        onLeave={leave}
      />
      <div role="status" className="contents">
        {trouble && <p className="border-ink border-l-4 pl-3 font-bold">{trouble}</p>}
        {result && "explanation" in result && <p className="sr-only">The curve is explained.</p>}
      </div>
      {result && "explanation" in result && <Told result={result} />}
    </>
  );
}

/** The faults behind an account, the first few by name. */
function faultsOf({ account }: Explained): string {
  const names = account.hypotheses.map((id) => hypothesisOf(id)?.name ?? id);
  const more = names.length - NAMED;
  return `${names.slice(0, NAMED).join(", ")}${more > 0 ? ` and ${more} more` : ""}`;
}

/** What an account amounts to as a line of the book: a test's outcome where there is such a test, else words. */
function evidenceOf({ account, apartC }: Explained, log: LogOfVehicle): EntryDraft {
  const seen = `${log.log} redrawn to ${apartC.toFixed(1)} °C as if ${account.words}`;
  return account.result
    ? answeredTest({ ...account.result, seen })
    : testedOwn("warm-up log redrawn", account.id === "sound" ? "pass" : "fail", seen);
}

function Told({ result }: { result: Read }) {
  const { system, book, mayBook } = useJob();
  const { explained, s } = result.explanation;
  const best = explained.slice(0, BEST);
  const isRedrawn = (best[0]?.apartC ?? Number.POSITIVE_INFINITY) <= REDRAWN_C;
  const drawn = best.filter(({ apartC }) => apartC <= 4 * REDRAWN_C);
  return (
    <div className="flex flex-col gap-4">
      {!isRedrawn && (
        <p className="font-bold">
          None redraws it well: two faults at once, wind, a heater, or a drive. Go by tests, not by this.
        </p>
      )}
      <ol aria-label="As if" className="border-ink border-t-2">
        {best.map((each, index) => (
          <li
            key={each.account.id}
            className="flex flex-wrap items-center gap-x-4 gap-y-2 border-rule border-b py-2"
          >
            <span className="min-w-64 flex-1">
              <span className={index === 0 && isRedrawn ? "font-bold" : ""}>As if {each.account.words}</span>{" "}
              <span className="text-ink-2">
                ({faultsOf(each)}); {LINES[index]}, redrawn to {each.apartC.toFixed(1)} °C,{" "}
                {each.share > 0.99
                  ? "far before the others"
                  : `${Math.round(100 * each.share)} % of what explains it`}
              </span>
            </span>
            <Button
              weight={index === 0 && isRedrawn ? "plain" : "quiet"}
              disabled={!mayBook || each.apartC > REDRAWN_C || each.share < LIKELY}
              aria-label={`Book as evidence: ${each.account.words}`}
              onClick={() => book(evidenceOf(each, result.of))}
            >
              Book as evidence
            </Button>
          </li>
        ))}
      </ol>
      <RedrawnCurve
        points={result.points}
        drawn={drawn.map(({ redrawnC }) => ({ s, redrawnC }))}
        system={system}
        told={`The log, and over it ${drawn.map(({ account }) => `as if ${account.words}`).join("; ")}`}
      />
      <p className="text-ink-2">
        A curve is a witness, no proof: faults that draw the same one are told apart by tests. A car is taken
        to stand in a bay with its heater off.
      </p>
    </div>
  );
}
