import QRCode from "qrcode";
import type { ReactNode } from "react";
import { Link, useLoaderData, useParams } from "react-router";
import type { JobReport, ReportRow } from "../../../core/report/index.ts";
import { warmPrinter } from "../../../server/reports/print-report.ts";
import { readReport } from "../../../server/reports/read-report.ts";
import { guarded } from "../../desk/guard.server.ts";
import { keptReading } from "../../kept/reading.ts";
import { Button } from "../../ui/Button.tsx";
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

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="break-inside-avoid-page">
      <h2 className="mt-5 mb-1 border-ink border-b-2 font-bold text-xl">{title}</h2>
      {children}
    </section>
  );
}

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

function Verdicts({
  rows,
}: {
  rows: readonly { words: string; verdict: JobReport["proofs"][number]["verdict"]; because?: string }[];
}) {
  return (
    <ul>
      {rows.map(({ words, verdict, because }) => (
        <li key={words + verdict} className="flex gap-3 border-rule border-b py-1">
          <span className="pt-0.5">
            <VerdictShape verdict={verdict} />
          </span>
          <span>
            <span className="font-bold">{words}</span> {because}
          </span>
        </li>
      ))}
    </ul>
  );
}

function Corrections({ all }: { all: JobReport["corrections"] }) {
  return (
    <Part title="Corrected after it was signed">
      <ul>
        {all.map(({ wrong, right, was, is, by, why }) => (
          <li key={right} className="border-rule border-b py-1">
            Line {wrong}, “{was}” {is ? <>now reads “{is}”</> : "was struck out"}, by {by}.{" "}
            {why ? `Because: ${why}.` : "No reason was given."}
          </li>
        ))}
      </ul>
    </Part>
  );
}

/** What a job says to whoever reads it later: a page that prints, with the same words as its PDF. */
export default function Report() {
  const { report, log, shopName, system, qr } = useLoaderData<typeof loader>();
  const { jobId = "" } = useParams();
  const { parts } = report;
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
        <a
          className="inline-flex min-h-12 items-center font-bold underline underline-offset-4"
          href={`/jobs/${jobId}/report.pdf`}
        >
          As PDF
        </a>
      </p>
      <article data-sheet className="max-w-4xl">
        <header className="flex items-start justify-between gap-6">
          <div>
            <p className="text-ink-2">{shopName}</p>
            <h1 className="text-3xl">{report.title}</h1>
            <p>{report.signed ? `Signed by ${report.signed}` : "A draft: nobody has signed this job yet."}</p>
            {report.from && <p className="font-bold">{report.from}</p>}
            {report.corrections.length > 0 && (
              <p className="font-bold">Corrected after it was signed: see the end.</p>
            )}
          </div>
          <span
            role="img"
            aria-label="Opens the vehicle for people of the shop"
            className="block w-24 shrink-0 bg-white p-1"
            // biome-ignore lint/security/noDangerouslySetInnerHtml: drawn by the server from its own address
            dangerouslySetInnerHTML={{ __html: qr }}
          />
        </header>
        <Part title="In short">
          {report.owner.map((line) => (
            <p key={line} className="py-0.5">
              {line}
            </p>
          ))}
        </Part>
        <Part title="Vehicle">
          <Rows rows={report.vehicle} />
        </Part>
        <Part title="The job">
          <Rows rows={report.job} />
        </Part>
        {report.evidence.length > 0 && (
          <Part title="Evidence for what was found">
            <Verdicts rows={report.evidence} />
          </Part>
        )}
        {parts.length > 0 && (
          <Part title="Parts">
            <Rows
              rows={parts.map(({ part, grade, supplier, guarantee, isFitted }) => ({
                name: part,
                words: `${grade}, ${supplier}${isFitted ? "" : ", not written as fitted"}. Guarantee: ${guarantee}.`,
              }))}
            />
          </Part>
        )}
        {report.coolant.length > 0 && (
          <Part title="Coolant">
            <Rows rows={report.coolant} />
          </Part>
        )}
        {log && (
          <Part title="Warm-up">
            <LogCurve jobId={jobId} log={log} system={system} />
            <p className="break-all text-ink-2">{log.name}</p>
          </Part>
        )}
        {report.proofs.length > 0 && (
          <Part title="Proven">
            <Verdicts rows={report.proofs} />
          </Part>
        )}
        {report.advice.length > 0 && (
          <Part title="Advice">
            <Rows rows={report.advice} />
          </Part>
        )}
        {(report.signed || report.open.length > 0) && (
          <Part title={report.signed ? "Open when it was signed" : "Open now"}>
            {report.open.length === 0 ? (
              <p>Nothing: the books balance.</p>
            ) : (
              <ul className="list-disc pl-6">
                {report.open.map((words) => (
                  <li key={words}>{words}</li>
                ))}
              </ul>
            )}
            {report.reason && <p className="font-bold">Said with the signature: {report.reason}</p>}
          </Part>
        )}
        {report.looks.length > 0 && (
          <Part title="To look at again">
            <Rows
              rows={report.looks.map(({ what, when, state, said }) => ({
                name: when || "some day",
                words: [what, state === "open" ? "" : state, said].filter(Boolean).join(": "),
              }))}
            />
          </Part>
        )}
        <Part title="Who did what">
          <Rows rows={report.people} />
        </Part>
        {report.corrections.length > 0 && <Corrections all={report.corrections} />}
        {report.book.hash && (
          <p className="mt-4 text-ink-2 text-sm">
            Its book has {report.book.lines} lines; the last one's hash begins{" "}
            <span className="figure whitespace-nowrap">{report.book.hash}</span>. Whoever keeps the books can
            look whether it still stands there.
          </p>
        )}
        <p className="mt-2 text-ink-2 text-sm">
          The vehicle maker's instructions, local rules and licensed practice come before anything this
          program says.
        </p>
      </article>
    </main>
  );
}
