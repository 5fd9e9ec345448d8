import { useEffect, useState } from "react";
import { useNavigation } from "react-router";

/** Sooner nobody wonders. */
const WONDERS_MS = 300;

/** That a page is on its way, once it takes long enough for somebody to wonder whether the tap was taken. */
export function Going() {
  const isGoing = useNavigation().state === "loading";
  const [isLong, setLong] = useState(false);
  useEffect(() => {
    if (!isGoing) return setLong(false);
    const timer = setTimeout(() => setLong(true), WONDERS_MS);
    return () => clearTimeout(timer);
  }, [isGoing]);
  return (
    <div role="status" className="pointer-events-none fixed inset-x-0 top-0 z-50 flex justify-center">
      {isLong && (
        <p className="rounded-b-md border-2 border-ink border-t-0 bg-sheet px-4 py-1 font-bold" data-going>
          On its way …
        </p>
      )}
    </div>
  );
}
