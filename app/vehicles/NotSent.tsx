import { Link } from "react-router";
import { useOutboxLines } from "../outbox/OutboxProvider.tsx";

interface Waiting {
  id: string;
  plate: string;
  /** Where its work goes on meanwhile. */
  job?: string;
  refused: string | undefined;
}

/** Vehicles that were written down in this browser and that no server knows of yet. */
export function NotSent() {
  const { unsent } = useOutboxLines();
  const waiting = unsent.flatMap(({ jobId, parcel, refused }): Waiting[] => {
    if (parcel?.kind === "take-in")
      return [{ id: jobId, plate: parcel.plate, job: `/jobs/${jobId}/ask`, refused }];
    return parcel?.kind === "vehicle" ? [{ id: jobId, plate: parcel.fields.plate ?? "", refused }] : [];
  });
  if (waiting.length === 0) return null;
  return (
    <ul aria-label="Vehicles not sent yet" className="mb-5 flex flex-col gap-2">
      {waiting.map(({ id, plate, job, refused }) => (
        <li key={id} className="border-ink border-l-4 pl-3">
          {job ? (
            <Link to={job} className="figure inline-flex min-h-12 items-center underline underline-offset-4">
              {plate}
            </Link>
          ) : (
            <span className="figure">{plate}</span>
          )}{" "}
          <span className="font-bold">
            {refused ? `Refused: ${refused}` : "Kept in this browser, not sent yet."}
          </span>
        </li>
      ))}
    </ul>
  );
}
