import { type ClientLoaderFunctionArgs, data, isRouteErrorResponse } from "react-router";
import { connection } from "./connection.ts";
import { keptName } from "./kept-names.ts";
import { keepPage, readPage } from "./kept-pages.ts";

const UNREAD =
  "No server to be had, and this page has not been read in this browser yet. It comes once the server answers.";

/** Our server's own word on what was asked: a page elsewhere, or a no. Anything else is no answer. */
export const isOwnWord = (error: unknown): boolean =>
  error instanceof Response ||
  // A 404 whose data is `true` came from something that isn't our server.
  (isRouteErrorResponse(error) && error.status < 500 && error.data !== true);

const referenceOf = (error: unknown) =>
  isRouteErrorResponse(error) ? (error.data as { reference?: string } | null)?.reference : undefined;

/** The session ended while a page is on screen: it is being read again, nobody goes anywhere. */
function endedHere(error: unknown, request: Request): boolean {
  const to = error instanceof Response ? error.headers.get("Location") : null;
  return Boolean(to?.startsWith("/sign-in")) && new URL(request.url).pathname === window.location.pathname;
}

/** The routes that show what was kept, or what stands in for it, since their last reading found no server. */
const old = new Set<string>();

/** Whether what a route shows is not the server's last word on it. */
export const isOld = (routeId: string): boolean => old.has(routeId);

/**
 * A route's reading that nothing takes away: from the server where it answers, else as it was last read in this
 * browser, else what `instead` makes up for it. Only where there is none of these is there no page.
 */
export function keptReading<Data>(
  routeId: string,
  instead?: (args: ClientLoaderFunctionArgs) => Promise<Data | undefined>,
) {
  return async (args: ClientLoaderFunctionArgs): Promise<Data> => {
    const { request, params, serverLoader } = args;
    const name = keptName(routeId, params, new URL(request.url).search);
    try {
      const read = (await serverLoader()) as Data;
      connection.found();
      old.delete(routeId);
      if (name) void keepPage(name, read);
      return read;
    } catch (error) {
      // Left for another page before it came: nobody waits for it.
      if (request.signal.aborted) throw error;
      const isEnded = endedHere(error, request);
      if (isOwnWord(error) && !isEnded) throw error;
      old.add(routeId);
      if (isEnded) connection.signedOut();
      else connection.lost(new Date().toISOString(), referenceOf(error));
      const kept = name ? await readPage(name) : undefined;
      if (kept) connection.showing(kept.at);
      const shown = (kept?.data as Data | undefined) ?? (await instead?.(args));
      if (shown !== undefined) return shown;
      if (isEnded || referenceOf(error)) throw error;
      throw data({ message: UNREAD, isCutOff: true }, { status: 503 });
    }
  };
}
