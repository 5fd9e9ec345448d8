import { useEffect } from "react";
import { useRevalidator } from "react-router";

const EVERY_MS = 20_000;

/** More than one person works in a shop: the page is read again now and then, and when it is looked at again. */
export function useFreshness(): void {
  const { revalidate } = useRevalidator();
  useEffect(() => {
    const refresh = () => {
      if (document.visibilityState === "visible") void revalidate();
    };
    const timer = setInterval(refresh, EVERY_MS);
    document.addEventListener("visibilitychange", refresh);
    window.addEventListener("online", refresh);
    return () => {
      clearInterval(timer);
      document.removeEventListener("visibilitychange", refresh);
      window.removeEventListener("online", refresh);
    };
  }, [revalidate]);
}
