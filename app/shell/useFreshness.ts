import { useEffect } from "react";
import { useRevalidator } from "react-router";
import { onLateReading } from "../kept/reading.ts";

const EVERY_MS = 20_000;

/** More than one person works in a shop: the page is read again now and then, when it is looked at again, and when what was asked for comes late. */
export function useFreshness(): void {
  const { revalidate } = useRevalidator();
  useEffect(() => {
    const refresh = () => {
      if (document.visibilityState === "visible") void revalidate();
    };
    const timer = setInterval(refresh, EVERY_MS);
    document.addEventListener("visibilitychange", refresh);
    window.addEventListener("online", refresh);
    const forget = onLateReading(refresh);
    return () => {
      clearInterval(timer);
      document.removeEventListener("visibilitychange", refresh);
      window.removeEventListener("online", refresh);
      forget();
    };
  }, [revalidate]);
}
