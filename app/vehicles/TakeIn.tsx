import { useEffect, useState } from "react";
import { useFetcher } from "react-router";
import { v4 as newId } from "uuid";
import type { Refused } from "../desk/guard.server.ts";
import { Button } from "../ui/Button.tsx";
import { PLATE, plateOf } from "./take-in.form.ts";

/** A car that stands on the yard, by its plate alone: what else it is can wait until a stage needs it. */
export function TakeIn({ typed, isThere }: { typed: string; isThere: boolean }) {
  const fetcher = useFetcher<Refused>();
  const plate = plateOf(typed);
  // Made where the page is, so that a second send is the same vehicle and the same job.
  const [ids, setIds] = useState({ vehicleId: "", jobId: "" });
  // biome-ignore lint/correctness/useExhaustiveDependencies: another plate is another car
  useEffect(() => setIds({ vehicleId: newId(), jobId: newId() }), [plate]);
  const refused = fetcher.data?.refused;
  if (!PLATE.test(plate) || isThere) return null;
  return (
    <fetcher.Form method="post" action="/vehicles/take-in" className="mt-4 flex flex-wrap items-center gap-4">
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
