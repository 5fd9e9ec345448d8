import { useEffect, useState } from "react";
import { SLIP_MS } from "./slips.ts";

/** True for a moment after `shown` changed, and after the first showing: what came up where another was takes no tap. */
export function useRest(shown: unknown): boolean {
  const [rested, setRested] = useState<{ shown: unknown }>();
  useEffect(() => {
    const timer = setTimeout(() => setRested({ shown }), SLIP_MS);
    return () => clearTimeout(timer);
  }, [shown]);
  return rested === undefined || rested.shown !== shown;
}
