import type { WarmUpLog } from "../../../core/book/facts/index.ts";
import { Button } from "../../ui/Button.tsx";

const LINK = "inline-flex min-h-12 items-center underline underline-offset-4";

/** The logs of this job's book, each to be shown again or taken along. */
export function BookedLogs({
  jobId,
  logs,
  onOpen,
}: {
  jobId: string;
  logs: readonly WarmUpLog[];
  onOpen: (log: WarmUpLog) => void;
}) {
  if (logs.length === 0) return null;
  return (
    <section aria-labelledby="booked">
      <h3 id="booked" className="text-xl">
        Booked logs
      </h3>
      <ul>
        {logs.map((log) => (
          <li key={log.logId} className="flex flex-wrap items-center gap-x-5 border-rule border-b py-1">
            <Button weight="quiet" className="px-1" onClick={() => onOpen(log)}>
              {log.log}
            </Button>
            <a className={LINK} href={`/jobs/${jobId}/logs/${log.logId}/warm-up.csv`} download>
              as CSV in °C and seconds
            </a>
            <a className={LINK} href={`/jobs/${jobId}/logs/${log.logId}/as-handed-in.csv`} download>
              as it was handed in
            </a>
          </li>
        ))}
      </ul>
    </section>
  );
}
