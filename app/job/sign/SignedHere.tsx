import { useOutbox } from "../../outbox/OutboxProvider.tsx";
import type { Unsent } from "../../outbox/outbox.ts";
import { Button } from "../../ui/Button.tsx";
import { clockOf } from "../../ui/dates.ts";
import { useJob, useWaiting } from "../stage/context.ts";
import { Work } from "../stage/Work.tsx";
import { Summary } from "./Summary.tsx";

/** Signed here: on its way to the server, or there and not read back yet. */
export function SignedHere({ signature }: { signature: Unsent }) {
  const { timeZone } = useJob();
  const waiting = useWaiting();
  const outbox = useOutbox();
  const { entry, stuck, later } = signature;
  const isUnsent = waiting.has(entry.id);
  return (
    <Work title={isUnsent ? "Signed here, not sent yet" : "Signed"}>
      <p role="status" className="text-xl">
        Signed at {clockOf(entry.at, timeZone)}.{" "}
        {isUnsent
          ? "It is locked once the server has it; nothing more is booked here until then."
          : "The server has it: the job is locked."}
      </p>
      {later && <p className="text-ink-2">{later}</p>}
      {stuck && <p className="border-ink border-l-4 pl-3 font-bold">{stuck}</p>}
      {isUnsent && (
        <div>
          <Button onClick={() => void outbox.discard(entry.id)}>Take the signature back</Button>
        </div>
      )}
      <Summary />
    </Work>
  );
}
