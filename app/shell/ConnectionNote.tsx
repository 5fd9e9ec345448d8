import { useSyncExternalStore } from "react";
import { useLocation } from "react-router";
import { useMember } from "../desk/member.ts";
import { type Connection, connection, THERE } from "../kept/connection.ts";
import { useOutboxLines } from "../outbox/OutboxProvider.tsx";
import { whenOf } from "../ui/dates.ts";

export const useConnection = (): Connection =>
  useSyncExternalStore(connection.subscribe, connection.snapshot, () => THERE);

/** Says that there is no server and from when what is shown is, or that the session has ended; nothing else. */
export function ConnectionNote() {
  const { cutOffSince, reference, why, isSignedOut, shownFrom } = useConnection();
  const { unsent } = useOutboxLines();
  const { timeZone } = useMember();
  const { pathname, search } = useLocation();
  const isSaid = Boolean(cutOffSince) || isSignedOut;
  const here = encodeURIComponent(pathname + search);
  return (
    <div role="status" aria-label="Server" data-connection={isSaid ? "lost" : "there"}>
      {isSaid && (
        // Over the page, so that nothing under a finger moves as a network comes and goes; taps go through it to what it lies on.
        <p className="pointer-events-none fixed right-0 bottom-28 left-0 z-20 border-ink border-y-2 bg-wash px-5 py-1 leading-snug rail:bottom-[4.1rem] rail:left-[84px] book:right-96 lg:px-7">
          {isSignedOut ? (
            <>
              <span className="font-bold">Your session has ended.</span> What you type is kept here and sent
              once you{" "}
              <a
                className="pointer-events-auto font-bold underline underline-offset-4"
                href={`/sign-in?to=${here}`}
              >
                sign in again
              </a>
              .
            </>
          ) : (
            <>
              <span className="font-bold">
                {reference
                  ? `The server stumbles since ${whenOf(cutOffSince ?? "", timeZone)}, noted under ${reference}`
                  : `${why ? `${why} Since` : "No server since"} ${whenOf(cutOffSince ?? "", timeZone)}`}
                , working from what is here
              </span>
              {shownFrom && `, as it was at ${whenOf(shownFrom, timeZone)}`}.
              {unsent.length > 0 && ` ${unsent.length} unsent, kept in this browser.`}
            </>
          )}
        </p>
      )}
    </div>
  );
}
