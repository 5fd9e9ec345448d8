import { useMemo } from "react";
import {
  Outlet,
  redirect,
  type ShouldRevalidateFunctionArgs,
  useLoaderData,
  useLocation,
} from "react-router";
import { type Entry, STAGES, type Stage, standing } from "../../core/book/entry/index.ts";
import { readJob } from "../../server/books/jobs/read-job.ts";
import { guarded } from "../desk/guard.server.ts";
import { staysWhileBrowsing } from "../desk/stays.ts";
import { keptReading } from "../kept/reading.ts";
import { STAGE_NAMES } from "../shell/stage-names.ts";
import { Part } from "../ui/Part.tsx";
import type { Route } from "./+types/route";
import { Book } from "./book/Book.tsx";
import { useGrowth } from "./book/useGrowth.ts";
import { JobHeader } from "./JobHeader.tsx";
import { StageStrip } from "./StageStrip.tsx";
import { useJobBook } from "./stage/context.ts";
import { unsentJob } from "./stage/unsent-job.ts";
import { useStagesAtHand } from "./useStagesAtHand.ts";

export const loader = guarded("desk", async ({ params, url, desk, once }) => {
  const page = await once(`job ${params.jobId}`, () => desk((given) => readJob(given, params.jobId ?? "")));
  if (/^\/jobs\/[^/]+\/?$/.test(url.pathname)) {
    const stage = page.job.signedAt ? "sign" : (standing(page.entries).at(-1)?.stage ?? "ask");
    throw redirect(`/jobs/${page.job.id}/${stage}`);
  }
  const { entries, ...rest } = page;
  return { ...rest, book: JSON.stringify(entries) };
});

/** A job that no server has heard of yet is shown as it was opened here. */
export const clientLoader = keptReading<Awaited<ReturnType<typeof loader>>>("job/route", ({ params }) =>
  unsentJob(params.jobId ?? ""),
);

/** Going from stage to stage of one job needs no new book: what is booked from here is in it already. */
export function shouldRevalidate(step: ShouldRevalidateFunctionArgs): boolean {
  const isStage =
    step.currentParams.jobId === step.nextParams.jobId && step.currentUrl.pathname !== step.nextUrl.pathname;
  return isStage ? staysWhileBrowsing(step) : step.defaultShouldRevalidate;
}

const stageOf = (pathname: string): Stage => STAGES.find((stage) => pathname.endsWith(`/${stage}`)) ?? "ask";

/** Each stage has a title of its own: it is what a screen reader says first, and what a tab shows. */
export const meta = ({ loaderData, location }: Pick<Route.MetaArgs, "loaderData" | "location">) => [
  {
    title: loaderData
      ? `${STAGE_NAMES[stageOf(location.pathname)]} · ${loaderData.vehicle.plate} · Warm Ledger`
      : "Warm Ledger",
  },
];

/** A job: the vehicle and the stages on top, the stage's work in the middle, the book always beside it. */
export default function JobPage() {
  const data = useLoaderData<typeof loader>();
  // The book travels as one text: the router takes a long list apart value by value, which costs more than reading it.
  const entries = useMemo((): Entry[] => JSON.parse(data.book), [data.book]);
  const { book: _, ...page } = data;
  const stage = stageOf(useLocation().pathname);
  const context = useJobBook(page, entries, stage);
  useStagesAtHand();
  useGrowth(page.job.id, entries.at(-1)?.seq ?? 0);
  return (
    <div className="book:grid book:h-full book:grid-cols-[minmax(0,1fr)_384px] print:block print:h-auto">
      <div className="flex min-w-0 flex-col book:h-full book:min-h-0 print:block print:h-auto">
        {/* One line on a phone, which scrolls away; elsewhere the vehicle above its stages. */}
        <div className="max-sm:flex max-sm:items-center max-sm:border-rule max-sm:border-b sm:contents">
          <Part>
            <JobHeader context={context} />
          </Part>
          <Part>
            <StageStrip jobId={page.job.id} entries={context.entries} isSigned={page.job.signedAt !== null} />
          </Part>
        </div>
        <main id="work" className="flex min-h-0 flex-1 flex-col">
          <Part>
            <Outlet context={context} />
          </Part>
        </main>
      </div>
      <Part>
        <Book context={context} stage={stage} />
      </Part>
    </div>
  );
}
