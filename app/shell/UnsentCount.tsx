import { CloudOff } from "lucide-react";
import { lazy, Suspense, useEffect } from "react";
import { useOutboxState } from "../outbox/OutboxProvider.tsx";
import { OwnPop } from "../ui/Pop.tsx";

/** What entries say is read by a good part of the core, which no first screen should wait for; fetched once it is idle. */
const FETCH_AFTER_MS = 1500;
const fetchList = () => import("./UnsentList.tsx");
const UnsentList = lazy(fetchList);

/** How many entries the server doesn't have yet, and what became of the refused ones. Shown only when there are any. */
export function UnsentCount() {
  const { unsent, isCutOff, isSignedOut, isUnkept } = useOutboxState();
  useEffect(() => {
    const timer = setTimeout(() => void fetchList().catch(() => undefined), FETCH_AFTER_MS);
    return () => clearTimeout(timer);
  }, []);
  const refused = unsent.filter((each) => each.refused);
  if (unsent.length === 0 && !isUnkept) return null;
  return (
    <OwnPop
      trigger={{
        className:
          "flex min-h-14 flex-col items-center justify-center gap-1 bg-ink px-1 py-2 font-bold text-paper text-sm",
        "aria-label": `${unsent.length} unsent${isUnkept ? ", not kept by this browser" : ""}`,
        children: (
          <>
            <CloudOff size={22} aria-hidden="true" />
            <span>
              {isUnkept
                ? "not kept"
                : refused.length > 0
                  ? `${refused.length} refused`
                  : `${unsent.length} unsent`}
            </span>
          </>
        ),
      }}
      label="What isn't sent"
      side="right"
      align="end"
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
      <Suspense fallback={<p className="mt-3">{unsent.length} unsent.</p>}>
        <UnsentList />
      </Suspense>
    </OwnPop>
  );
}
