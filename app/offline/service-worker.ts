/// <reference lib="webworker" />
import { clientsClaim } from "workbox-core";
import { cleanupOutdatedCaches, matchPrecache, precacheAndRoute } from "workbox-precaching";
import { NavigationRoute, registerRoute } from "workbox-routing";

declare const self: ServiceWorkerGlobalScope;
/** Every file of this version, written in when it is built. */
declare const __FILES__: { url: string; revision: string | null }[];

/** The page that any address starts from without a network: it holds the program, and nobody's data. */
const SHELL = "/shell.html";
/** A server that hasn't begun to answer by then is as good as none; the page itself goes on asking. */
const PATIENCE_MS = 5000;

/** Our server's own page. A proxy's, a captive portal's or a fault's is none to show. */
const isOurs = (response: Response) =>
  response.type === "opaqueredirect" || (response.headers.has("X-Warm-Ledger") && response.status < 500);

async function open(request: Request): Promise<Response> {
  const shell = await matchPrecache(SHELL);
  try {
    const response = await fetch(request, shell ? { signal: AbortSignal.timeout(PATIENCE_MS) } : {});
    return isOurs(response) || !shell ? response : shell;
  } catch (error) {
    if (shell) return shell;
    throw error;
  }
}

precacheAndRoute(__FILES__);
cleanupOutdatedCaches();
clientsClaim();
registerRoute(
  new NavigationRoute(({ request }) => open(request), {
    // Files to be saved, and making a browser the shop's own, are for the server alone.
    denylist: [/\/job\.json$/, /\.csv$/, /^\/this-device\//],
  }),
);

// A page that has just come from the server goes with this version: it says so, and the old one is let go.
self.addEventListener("message", ({ data }) => {
  if (data === "take over") void self.skipWaiting();
});
