/** Once the first screen has been drawn, taken over and kept: what is fetched for later holds up nothing now. */
const AFTER_MS = 4000;

async function register(): Promise<void> {
  const registration = await navigator.serviceWorker.register("/service-worker.js");
  // This page came from the server just now, so a newer version that waits is the one it belongs to.
  registration.waiting?.postMessage("take over");
}

/** Keeps the program itself in this browser, so that it opens without a network. Does nothing where that can't be. */
export function startOffline(): () => void {
  if (!("serviceWorker" in navigator)) return () => undefined;
  const timer = setTimeout(() => void register().catch(() => undefined), AFTER_MS);
  return () => clearTimeout(timer);
}
