import { useEffect, useState } from "react";

/** A button that came up where another was takes no tap for so long: the second half of a double tap is not meant for it. */
const RESTS_MS = 800;

/** True for a moment after `shown` changed, and after the first showing. */
export function useRest(shown: unknown): boolean {
  const [rested, setRested] = useState<{ shown: unknown }>();
  useEffect(() => {
    const timer = setTimeout(() => setRested({ shown }), RESTS_MS);
    return () => clearTimeout(timer);
  }, [shown]);
  return rested === undefined || rested.shown !== shown;
}
