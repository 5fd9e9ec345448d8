import { useEffect } from "react";
import { useRevalidator } from "react-router";

const EVERY_MS = 20_000;

/** A page that is read again with no server to be had breaks, and takes what is on screen with it: asked first. */
const isServerThere = () =>
  fetch("/mark.svg", { method: "HEAD", cache: "no-store" }).then(
    ({ ok }) => ok,
    () => false,
  );

/** Two people may work one job: the book is read again now and then, and when the page is looked at again. */
export function useFreshness(): void {
  const { revalidate } = useRevalidator();
  useEffect(() => {
    const refresh = async () => {
      if (document.visibilityState !== "visible" || !navigator.onLine) return;
      if (await isServerThere()) await revalidate();
    };
    const timer = setInterval(refresh, EVERY_MS);
    document.addEventListener("visibilitychange", refresh);
    return () => {
      clearInterval(timer);
      document.removeEventListener("visibilitychange", refresh);
    };
  }, [revalidate]);
}
