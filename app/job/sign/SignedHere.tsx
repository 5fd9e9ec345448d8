import { Button } from "../../ui/Button.tsx";
import { clockOf } from "../../ui/dates.ts";
import { useJob } from "../context.ts";
import { useOutbox } from "../outbox/OutboxProvider.tsx";
import type { Unsent } from "../outbox/outbox.ts";
import { Work } from "../Work.tsx";
import { Summary } from "./Summary.tsx";

/** Signed here, with no server to lock it yet. */
export function SignedHere({ unsent }: { unsent: Unsent }) {
  const { timeZone } = useJob();
  const outbox = useOutbox();
  return (
    <Work title="Signed here, not sent yet">
      <p role="status" className="text-xl">
        Signed at {clockOf(unsent.entry.at, timeZone)}. It is locked once the server has it
        {unsent.stuck ? "" : "; nothing more is booked here until then"}.
      </p>
      {unsent.stuck && <p className="border-ink border-l-4 pl-3 font-bold">{unsent.stuck}</p>}
      <div>
        <Button onClick={() => void outbox.discard(unsent.entry.id)}>Take the signature back</Button>
      </div>
      <Summary />
    </Work>
  );
}
