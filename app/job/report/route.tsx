import QRCode from "qrcode";
import type { ReactNode } from "react";
import { Link, useLoaderData, useParams } from "react-router";
import { type Block, type ReportRow, sheetOf, type VerdictRow } from "../../../core/report/index.ts";
import { warmPrinter } from "../../../server/reports/print-report.ts";
import { readReport } from "../../../server/reports/read-report.ts";
import { guarded } from "../../desk/guard.server.ts";
import { keptReading } from "../../kept/reading.ts";
import { Button } from "../../ui/Button.tsx";
import { FileLink } from "../../ui/FileLink.tsx";
import { VerdictShape } from "../../ui/VerdictMark.tsx";
import { LogCurve } from "./LogCurve.tsx";

export const meta = () => [{ title: "Report · Warm Ledger" }];

export const loader = guarded("desk", async ({ params, origin, desk }) => {
  const read = await desk((given) => readReport(given, params.jobId ?? ""));
  // Who reads it may print it next.
  warmPrinter();
  const address = `${origin}/vehicles/${read.vehicleId}`;
  return { ...read, address, qr: await QRCode.toString(address, { type: "svg", margin: 0 }) };
});

export const clientLoader = keptReading<Awaited<ReturnType<typeof loader>>>("job/report/route");

const Rows = ({ rows }: { rows: readonly ReportRow[] }) => (
  <dl>
    {rows.map(({ name, words }) => (
      <div key={name + words} className="grid gap-x-4 border-rule border-b py-1 sm:grid-cols-[10rem_1fr]">
        <dt className="text-ink-2">{name}</dt>
        <dd className="break-words">{words}</dd>
      </div>
    ))}
  </dl>
);

const Verdicts = ({ rows }: { rows: readonly VerdictRow[] }) => (
  <ul>
    {rows.map(({ words, verdict }) => (
      <li key={words + verdict} className="flex gap-3 border-rule border-b py-1">
        <span className="pt-0.5">
          <VerdictShape verdict={verdict} />
        </span>
        <span>{words}</span>
      </li>
    ))}
  </ul>
);

/** One block of a section; the curve is drawn where there is a log. */
function Drawn({ block, curve }: { block: Block; curve: ReactNode }) {
  switch (block.is) {
    case "rows":
      return <Rows rows={block.rows} />;
    case "verdicts":
      return <Verdicts rows={block.rows} />;
    case "list":
      return (
        <ul className="list-disc pl-6">
          {block.items.map((words) => (
            <li key={words}>{words}</li>
          ))}
        </ul>
      );
    case "text":
      return <p className={block.isStrong ? "font-bold" : "py-0.5"}>{block.words}</p>;
    case "curve":
      return curve;
  }
}

/** What a job says to whoever reads it later: a page that prints, with the same words as its PDF. */
export default function Report() {
  const { report, log, shopName, system, qr } = useLoaderData<typeof loader>();
  const { jobId = "" } = useParams();
  const sheet = sheetOf(report);
  const [signed, ...notes] = sheet.under;
  const curve = log && (
    <>
      <LogCurve jobId={jobId} log={log} system={system} />
      <p className="break-all text-ink-2">{log.name}</p>
    </>
  );
  return (
    <main id="work" className="p-5 lg:p-7">
      <p className="mb-4 flex flex-wrap items-center gap-x-6 gap-y-2">
        <Link
          className="inline-flex min-h-12 items-center underline underline-offset-4"
          to={`/jobs/${jobId}/sign`}
        >
          Back to the job
        </Link>
        <Button onClick={() => window.print()}>Print this page</Button>
        <FileLink href={`/jobs/${jobId}/report.pdf`} name="report.pdf">
          As PDF
        </FileLink>
      </p>
      <article data-sheet className="max-w-4xl">
        <header className="flex items-start justify-between gap-6">
          <div>
            <p className="text-ink-2">{shopName}</p>
            <h1 className="text-3xl">{sheet.title}</h1>
            <p>{signed}</p>
            {notes.map((note) => (
              <p key={note} className="font-bold">
                {note}
              </p>
            ))}
          </div>
          <span
            role="img"
            aria-label="Opens the vehicle for people of the shop"
            className="block w-24 shrink-0 bg-white p-1"
            // biome-ignore lint/security/noDangerouslySetInnerHtml: drawn by the server from its own address
            dangerouslySetInnerHTML={{ __html: qr }}
          />
        </header>
        {sheet.sections
          .filter(({ id }) => id !== "curve" || log)
          .map(({ id, title, blocks }) => (
            <section key={id} className="break-inside-avoid-page">
              <h2 className="mt-5 mb-1 border-ink border-b-2 font-bold text-xl">{title}</h2>
              {blocks.map((block, index) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: a report's blocks never change their places
                <Drawn key={`${id} ${index}`} block={block} curve={curve} />
              ))}
            </section>
          ))}
        {sheet.foot.map((words) => (
          <p key={words} className="mt-4 text-ink-2 text-sm">
            {words}
          </p>
        ))}
      </article>
    </main>
  );
}
