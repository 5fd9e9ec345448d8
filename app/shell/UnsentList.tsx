import { describeEntry } from "../../core/book/describe/index.ts";
import { useMember } from "../desk/member.ts";
import { useOutbox, useOutboxLines } from "../outbox/OutboxProvider.tsx";
import { Button } from "../ui/Button.tsx";

/** Every entry that isn't sent, with what became of it and the two ways out. */
export default function UnsentList() {
  const outbox = useOutbox();
  const { unsent } = useOutboxLines();
  const { personId, units } = useMember();
  return (
    <ul className="mt-3 flex flex-col gap-3">
      {unsent.map(({ entry, refused: why, stuck, later, personId: by }) => (
        <li key={entry.id} className="border-rule border-t pt-2">
          <p>{describeEntry(entry, units)}</p>
          {by !== personId && (
            <p className="text-ink-2 text-sm">Typed by somebody else: sent when they sign in here.</p>
          )}
          {(why || stuck) && <p className="mt-1 font-bold text-sm">{why ?? stuck}</p>}
          {later && <p className="mt-1 text-sm">{later} It is sent again by itself.</p>}
          {by === personId && (
            <div className="mt-1 flex flex-wrap gap-2">
              <Button onClick={() => void outbox.again(entry.id)}>Send again</Button>
              <Button onClick={() => void outbox.discard(entry.id)}>Take it back</Button>
            </div>
          )}
        </li>
      ))}
    </ul>
  );
}
