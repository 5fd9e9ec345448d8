import type { Outbox } from "./outbox.ts";

/** An act that isn't booked by then is told as kept; what is sent meanwhile is told once, as booked. */
const PATIENCE_MS = 2500;

/**
 * Tells what became of one act, once: booked where the server has all of it, not booked with the reason where it was
 * refused, else kept here and not sent yet.
 */
export function tellAct(
  outbox: Pick<Outbox, "snapshot" | "subscribe">,
  ids: readonly string[],
  words: string,
  tell: (said: string) => void,
  patienceMs = PATIENCE_MS,
): void {
  const isOurs = ({ entry }: { entry: { id: string } }) => ids.includes(entry.id);
  let leave: () => void = () => undefined;
  const end = (said: string) => {
    clearTimeout(timer);
    leave();
    tell(said);
  };
  const timer = setTimeout(() => end(`Kept here, not sent yet: ${words}`), patienceMs);
  const look = () => {
    const ours = outbox.snapshot().unsent.filter(isOurs);
    const refused = ours.find((each) => each.refused)?.refused;
    if (refused) end(`Not booked: ${words} ${refused}`);
    else if (ours.length === 0) end(`Booked: ${words}`);
  };
  leave = outbox.subscribe(look);
  look();
}
