import { ButtonLink } from "../../ui/Button.tsx";
import { FileLink } from "../../ui/FileLink.tsx";
import { useJob } from "../stage/context.ts";

/** The report as a page and as paper, and the job as a file. */
export function ReportLinks() {
  const { job } = useJob().page;
  return (
    <p className="flex flex-wrap items-center gap-x-6 gap-y-2">
      <ButtonLink to={`/jobs/${job.id}/report`}>The report</ButtonLink>
      <FileLink href={`/jobs/${job.id}/report.pdf`} name={`job-${job.number}.pdf`}>
        The report as PDF
      </FileLink>
      <FileLink href={`/jobs/${job.id}/job.zip`} name={`job-${job.number}.zip`}>
        The whole job as one file
      </FileLink>
    </p>
  );
}
