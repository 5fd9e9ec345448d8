import { CloudOff } from "lucide-react";
import { Popover } from "radix-ui";
import { describeEntry } from "../../core/ledger/index.ts";
import { useOutbox, useOutboxState } from "../job/outbox/OutboxProvider.tsx";
import { Button } from "../ui/Button.tsx";
import { useMember } from "./member.ts";

/** How many entries the server doesn't have yet, and what became of the refused ones. Shown only when there are any. */
export function UnsentCount() {
  const outbox = useOutbox();
  const { unsent, isCutOff, isSignedOut, isUnkept } = useOutboxState();
  const { personId, units } = useMember();
  const refused = unsent.filter((each) => each.refused);
  if (unsent.length === 0 && !isUnkept)
    return <div role="status" className="sr-only" aria-label="Unsent entries" />;
  return (
    <Popover.Root>
      <Popover.Trigger
        className="flex min-h-14 flex-col items-center justify-center gap-1 bg-ink px-1 py-2 font-bold text-paper text-sm"
        aria-label={`${unsent.length} unsent${isUnkept ? ", not kept by this browser" : ""}`}
      >
        <CloudOff size={22} aria-hidden="true" />
        <span role="status">
          {isUnkept
            ? "not kept"
            : refused.length > 0
              ? `${refused.length} refused`
              : `${unsent.length} unsent`}
        </span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="right"
          align="end"
          sideOffset={8}
          collisionPadding={8}
          className="z-50 max-h-[80dvh] w-96 max-w-[94vw] overflow-auto rounded-md border-2 border-ink bg-sheet p-4"
        >
          <p className="font-bold text-lg">
            {isSignedOut ? "The session has ended" : isCutOff ? "No server to be had" : "Not booked yet"}
          </p>
          <p className="text-ink-2">
            {isUnkept
              ? "This browser can't keep it: leave the page open until it is sent, or write it down."
              : isSignedOut
                ? "Kept in this browser and sent once you have signed in again."
                : "Kept in this browser and sent by itself as soon as the server answers."}
          </p>
          <ul className="mt-3 flex flex-col gap-3">
            {unsent.map(({ entry, refused: why, stuck, personId: by }) => (
              <li key={entry.id} className="border-rule border-t pt-2">
                <p>{describeEntry(entry, units)}</p>
                {by !== personId && (
                  <p className="text-ink-2 text-sm">Typed by somebody else: sent when they sign in here.</p>
                )}
                {(why || stuck) && <p className="mt-1 font-bold text-sm">{why ?? stuck}</p>}
                {by === personId && (
                  <div className="mt-1 flex flex-wrap gap-2">
                    <Button onClick={() => void outbox.again(entry.id)}>Send again</Button>
                    <Button onClick={() => void outbox.discard(entry.id)}>Take it back</Button>
                  </div>
                )}
              </li>
            ))}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
