import { type FormEvent, useEffect, useState } from "react";
import { useNavigate } from "react-router";
import { v4 as newId } from "uuid";
import { useMember } from "../desk/member.ts";
import { useOutbox, useOutboxState } from "../outbox/OutboxProvider.tsx";
import { Button } from "../ui/Button.tsx";
import { Choice, TextField } from "../ui/Field.tsx";

/** Opens a job on this vehicle. It goes through the outbox as lines do: a car can be taken in with no server to be had. */
export function OpenJob({
  vehicleId,
  people,
}: {
  vehicleId: string;
  people: { id: string; name: string }[];
}) {
  const { personId } = useMember();
  const outbox = useOutbox();
  const { unsent, booked, isCutOff, isSignedOut } = useOutboxState();
  const navigate = useNavigate();
  const here = unsent.find(
    ({ parcel, refused: why }) => parcel?.kind === "job" && parcel.vehicleId === vehicleId && !why,
  );
  const no = unsent.find(
    ({ parcel, refused: why }) => parcel?.kind === "job" && parcel.vehicleId === vehicleId && why,
  );
  // Made where the page is, so that a second send opens the same job.
  const [id, setId] = useState("");
  const [isAsked, setAsked] = useState(false);
  useEffect(() => setId(newId()), []);
  const isThere = booked.some(({ entry }) => entry.id === id);
  const waits = here?.entry.id === id && (isCutOff || isSignedOut || here.stuck !== undefined);
  useEffect(() => {
    if (isAsked && (isThere || waits)) void navigate(`/jobs/${id}/ask`);
  }, [isAsked, isThere, waits, id, navigate]);
  if (here && !isAsked) {
    return (
      <Button weight="main" onClick={() => void navigate(`/jobs/${here.jobId}/ask`)} data-next>
        Go on with the job opened here
      </Button>
    );
  }
  const open = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const bay = String(form.get("bay") ?? "").trim();
    const assignedTo = String(form.get("assignedTo") ?? "") || null;
    if (no) void outbox.discard(no.entry.id);
    setAsked(true);
    const now = Date.now();
    const line = {
      id,
      kind: "note" as const,
      item: "job opened",
      ...(bay ? { text: bay } : {}),
      stage: "ask" as const,
      at: new Date(now).toISOString(),
    };
    void outbox.add(id, [line], now, { kind: "job", vehicleId, bay, assignedTo });
  };
  const isBusy = isAsked && !no;
  return (
    <form className="flex flex-wrap items-end gap-3" onSubmit={open}>
      <div className="w-40">
        <TextField label="Bay" name="bay" maxLength={40} placeholder="lift 1" enterKeyHint="go" />
      </div>
      <div className="w-48">
        <Choice
          label="Who"
          name="assignedTo"
          defaultValue={people.some((person) => person.id === personId) ? personId : ""}
        >
          <option value="">nobody yet</option>
          {people.map((person) => (
            <option key={person.id} value={person.id}>
              {person.name}
            </option>
          ))}
        </Choice>
      </div>
      <Button type="submit" weight="main" disabled={isBusy} data-next="asks">
        Open a job
      </Button>
      {no && (
        <p role="alert" className="w-full border-ink border-l-4 pl-3 font-bold">
          {no.refused}
        </p>
      )}
    </form>
  );
}
