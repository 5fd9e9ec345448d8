import {
  createContext,
  type ReactNode,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
  useSyncExternalStore,
} from "react";
import { useNavigate, useRevalidator } from "react-router";
import { connection } from "../kept/connection.ts";
import { browserStore } from "./browser-store.ts";
import { type Answer, NOTHING_YET, Outbox, type OutboxState, type Unsent } from "./outbox.ts";
import { sendUnsent } from "./send.ts";

const OutboxContext = createContext<Outbox | null>(null);
const RETRY_MS = 4000;

/** What a sending met is known to the whole page. */
function tell(answer: Answer): void {
  if (answer === "unreachable") connection.lost(new Date().toISOString());
  else if (answer === "signed-out") connection.signedOut();
  else connection.found();
}

/** One outbox for every page of the signed-in application. */
export function OutboxProvider({ personId, children }: { personId: string; children: ReactNode }) {
  const { revalidate } = useRevalidator();
  const latest = useRef(revalidate);
  latest.current = revalidate;
  const navigate = useNavigate();
  const goTo = useRef(navigate);
  goTo.current = navigate;
  const [outbox] = useState(
    () =>
      new Outbox({
        personId,
        store: browserStore,
        send: sendUnsent,
        onAnswer: tell,
        // Whoever works in it stays in it.
        onMoved: (from, to) => {
          const { pathname } = window.location;
          if (pathname.startsWith(`/jobs/${from}`))
            void goTo.current(pathname.replace(from, to), { replace: true });
        },
        // The line that is booked is drawn first, and the page read again in a task of its own: neither holds up a tap.
        onBooked: () => new Promise((free) => setTimeout(free)).then(() => latest.current()),
      }),
  );
  useEffect(() => {
    void outbox.load();
    const tryAgain = () => void outbox.flush();
    const timer = setInterval(tryAgain, RETRY_MS);
    window.addEventListener("online", tryAgain);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", tryAgain);
    };
  }, [outbox]);
  return <OutboxContext value={outbox}>{children}</OutboxContext>;
}

export function useOutbox(): Outbox {
  const outbox = useContext(OutboxContext);
  if (!outbox) throw new Error("useOutbox stands outside OutboxProvider");
  return outbox;
}

export function useOutboxState(): OutboxState {
  const outbox = useOutbox();
  return useSyncExternalStore(outbox.subscribe, outbox.snapshot, () => NOTHING_YET);
}

/** The lines alone: who shows only them isn't drawn again when a server is found or lost. */
export function useOutboxLines(): { unsent: readonly Unsent[]; booked: readonly Unsent[] } {
  const outbox = useOutbox();
  const unsent = useSyncExternalStore(
    outbox.subscribe,
    () => outbox.snapshot().unsent,
    () => NOTHING_YET.unsent,
  );
  const booked = useSyncExternalStore(
    outbox.subscribe,
    () => outbox.snapshot().booked,
    () => NOTHING_YET.booked,
  );
  return useMemo(() => ({ unsent, booked }), [unsent, booked]);
}
