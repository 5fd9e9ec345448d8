import { useEffect } from "react";
import { useRevalidator } from "react-router";

const EVERY_MS = 20_000;

/** Two people may work one job: the book is read again now and then, and when the page is looked at again. */
export function useFreshness(): void {
  const { revalidate } = useRevalidator();
  useEffect(() => {
    const refresh = () => {
      if (document.visibilityState === "visible" && navigator.onLine) void revalidate();
    };
    const timer = setInterval(refresh, EVERY_MS);
    document.addEventListener("visibilitychange", refresh);
    return () => {
      clearInterval(timer);
      document.removeEventListener("visibilitychange", refresh);
    };
  }, [revalidate]);
}
