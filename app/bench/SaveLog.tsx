import { useState } from "react";
import { useNavigate } from "react-router";
import { v4 as newId } from "uuid";
import { benchCar } from "../../core/trade/bench/index.ts";
import { writeTrace } from "../../core/trade/trace/index.ts";
import type { OpenJob } from "../../server/books/jobs/read-open-jobs.ts";
import { useMember } from "../desk/member.ts";
import { useDraft } from "../drafts/useDraft.ts";
import type { ChosenLog } from "../job/prove/useChosenLog.ts";
import { Button } from "../ui/Button.tsx";
import { Choice } from "../ui/Field.tsx";
import { keepFile } from "../ui/keep-file.ts";
import type { BenchHere } from "./useBench.ts";

const LEAST_ROWS = 60;

/** What ran goes to a file, or to a job's Prove: there it lies unbooked, said to be the bench's, until somebody books it. */
export function SaveLog({
  here: { bench, setup, setRunning },
  jobs,
}: {
  here: BenchHere;
  jobs: readonly OpenJob[];
}) {
  const { role } = useMember();
  const [jobId, setJobId] = useState("");
  const [lying, setDraft] = useDraft<ChosenLog | undefined>(`log:${jobId}`, undefined);
  const navigate = useNavigate();
  const name = `bench, ${benchCar(setup.carKey).name}, ${setup.script}.csv`;
  const isShort = bench.points.length < LEAST_ROWS;
  const toJob = () => {
    setRunning(false);
    setDraft({
      id: newId(),
      name,
      bytes: new TextEncoder().encode(writeTrace(bench.log())),
      isBooked: false,
      stood: "",
    });
    void navigate(`/jobs/${jobId}/prove#log`);
  };
  return (
    <section aria-label="Its log" className="flex flex-wrap items-end gap-3 border-rule border-t pt-4">
      <Button
        disabled={isShort}
        onClick={() => keepFile(new Blob([writeTrace(bench.log())], { type: "text/csv" }), name)}
      >
        Keep the log as CSV
      </Button>
      {role !== "desk" && jobs.length > 0 && (
        <>
          <Choice label="To a job" value={jobId} onChange={(event) => setJobId(event.target.value)}>
            <option value="">none chosen</option>
            {jobs.map(({ id, number, plate, vehicle }) => (
              <option key={id} value={id}>
                {`${number}: ${plate} ${vehicle}`}
              </option>
            ))}
          </Choice>
          <Button disabled={isShort || jobId === ""} onClick={toJob}>
            {lying ? `Lay it there in the place of “${lying.name}”` : "Lay it there"}
          </Button>
        </>
      )}
      <p className="basis-full text-ink-2 text-sm">
        {isShort
          ? "From the first minute on its log can be kept."
          : "In a job it lies under Prove, named after the bench, and is booked there or not. It is no log of that job's car: it proves nothing of it."}
      </p>
    </section>
  );
}
