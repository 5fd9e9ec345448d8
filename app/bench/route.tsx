import { useLoaderData } from "react-router";
import { readOpenJobs } from "../../server/books/jobs/read-open-jobs.ts";
import { guarded } from "../desk/guard.server.ts";
import { keptReading } from "../kept/reading.ts";
import { BenchHead } from "./BenchHead.tsx";
import { BenchTop } from "./BenchTop.tsx";

export const meta = () => [{ title: "Bench · Warm Ledger" }];

export const loader = guarded("desk", async ({ desk }) => ({ jobs: await desk(readOpenJobs) }));

/** It runs without a server; only its log finds no job then. */
export const clientLoader = keptReading<Awaited<ReturnType<typeof loader>>>("bench/route", async () => ({
  jobs: [],
}));

/** A car of the bench, run as one likes, with what one puts in. */
export default function Bench() {
  const { jobs } = useLoaderData<typeof loader>();
  return (
    <main id="work" className="p-5 lg:p-7">
      <BenchHead title="Bench" />
      <BenchTop jobs={jobs} />
    </main>
  );
}
