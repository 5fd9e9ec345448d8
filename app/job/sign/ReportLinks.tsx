import { ButtonLink } from "../../ui/Button.tsx";
import { useJob } from "../stage/context.ts";

/** The report as a page and as paper, and the job as a file. */
export function ReportLinks() {
  const { job } = useJob().page;
  const link = "inline-flex min-h-12 items-center font-bold underline underline-offset-4";
  return (
    <p className="flex flex-wrap items-center gap-x-6 gap-y-2">
      <ButtonLink to={`/jobs/${job.id}/report`}>The report</ButtonLink>
      <a className={link} href={`/jobs/${job.id}/report.pdf`} download={`job-${job.number}.pdf`}>
        The report as PDF
      </a>
      <a className={link} href={`/jobs/${job.id}/job.zip`} download={`job-${job.number}.zip`}>
        The whole job as one file
      </a>
    </p>
  );
}
