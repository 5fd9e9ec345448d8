import { useEffect, useRef } from "react";
import { v4 as newId } from "uuid";
import { useOutboxState } from "../outbox/OutboxProvider.tsx";
import { useConnection } from "./ConnectionNote.tsx";

/** What is sent within so long was never worth telling. */
const AFTER_MS = 3000;
const BROWSER = "warm-ledger-browser";
const TOLD = "warm-ledger-told-unsent";

/** A store that can't be had leaves the browser without a name of its own: then nothing is told. */
function kept(name: string, make?: () => string): string | undefined {
  try {
    const known = localStorage.getItem(name);
    if (known || !make) return known ?? undefined;
    const made = make();
    localStorage.setItem(name, made);
    return made;
  } catch {
    return undefined;
  }
}

/** Tells the server how many entries wait in this browser, whenever that changes and there is a server to tell. */
export function ToldUnsent() {
  const { unsent, isLoaded } = useOutboxState();
  const { cutOffSince, isSignedOut } = useConnection();
  const count = unsent.length;
  const oldest = useRef(0);
  oldest.current = Math.min(...unsent.map(({ order }) => order), Date.now());
  const isThere = isLoaded && !cutOffSince && !isSignedOut;
  useEffect(() => {
    if (!isThere) return;
    const timer = setTimeout(async () => {
      const told = Number(kept(TOLD) ?? 0);
      const browserId = told === count ? undefined : kept(BROWSER, newId);
      if (!browserId) return;
      const answer = await fetch("/unsent", {
        method: "POST",
        headers: { "Content-Type": "application/json" },
        body: JSON.stringify({
          browserId,
          entries: count,
          since: new Date(oldest.current).toISOString(),
        }),
        redirect: "manual",
      }).catch(() => undefined);
      if (answer?.ok) localStorage.setItem(TOLD, String(count));
    }, AFTER_MS);
    return () => clearTimeout(timer);
  }, [count, isThere]);
  return null;
}
