import { useEffect, useRef, useState } from "react";
import { useFetcher, useNavigate } from "react-router";
import { v4 as newId } from "uuid";
import type { CutOff } from "../kept/posting.ts";
import { useOutbox } from "../outbox/OutboxProvider.tsx";
import { Button } from "../ui/Button.tsx";
import { PLATE, plateOf } from "./take-in.form.ts";

/** A car that stands on the yard, by its plate alone: what else it is can wait until a stage needs it. */
export function TakeIn({ typed, isThere }: { typed: string; isThere: boolean }) {
  const fetcher = useFetcher<Partial<CutOff>>();
  const plate = plateOf(typed);
  // Made where the page is, so that a second send is the same vehicle and the same job.
  const [ids, setIds] = useState({ vehicleId: "", jobId: "" });
  // biome-ignore lint/correctness/useExhaustiveDependencies: another plate is another car
  useEffect(() => setIds({ vehicleId: newId(), jobId: newId() }), [plate]);
  // What is typed may be another car by the time that nobody has answered.
  const sent = useRef({ plate: "", vehicleId: "", jobId: "" });
  const outbox = useOutbox();
  const navigate = useNavigate();
  const answer = fetcher.state === "idle" ? fetcher.data : undefined;
  const refused = answer?.isCutOff ? undefined : answer?.refused;
  // Nobody answered: it goes through the outbox as lines do, and the work begins meanwhile.
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each post that nobody answered
  useEffect(() => {
    const { plate, vehicleId, jobId } = sent.current;
    if (!answer?.isCutOff || !jobId) return;
    const now = Date.now();
    const line = {
      id: jobId,
      kind: "note" as const,
      item: "taken in",
      text: plate,
      stage: "ask" as const,
      at: new Date(now).toISOString(),
    };
    void outbox
      .add(jobId, [line], now, { kind: "take-in", vehicleId, plate })
      .then(() => navigate(`/jobs/${jobId}/ask`));
  }, [answer]);
  if (!PLATE.test(plate) || isThere) return null;
  return (
    <fetcher.Form
      method="post"
      action="/vehicles/take-in"
      className="mt-4 flex flex-wrap items-center gap-4"
      onSubmit={() => {
        sent.current = { plate, ...ids };
      }}
    >
      <input type="hidden" name="plate" value={plate} />
      <input type="hidden" name="vehicleId" value={ids.vehicleId} />
      <input type="hidden" name="jobId" value={ids.jobId} />
      <Button type="submit" weight="main" disabled={!ids.jobId || fetcher.state !== "idle"}>
        Take in {plate} and open a job
      </Button>
      <span className="text-ink-2">The plate alone will do; the rest is asked for where it is needed.</span>
      <div role="alert" className="w-full">
        {refused && (
          <p className="border-ink border-l-4 pl-3 font-bold">
            {refused.message || Object.values(refused.fields).join(" ")}
          </p>
        )}
      </div>
    </fetcher.Form>
  );
}
