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

/** What the server says is wrong with what it stands on. */
const whyOf = (error: unknown): string | undefined => {
  const { isDown, message } = (isRouteErrorResponse(error) ? error.data : undefined) ?? {};
  return isDown === true && typeof message === "string" ? message.split(". ")[0]?.concat(".") : undefined;
};

/** So long a reading may take; then what was kept is shown in its place. */
const LONGEST_READ_MS = 5000;
const LATE = Symbol("late");

/** The session ended while a page is on screen: it is being read again, nobody goes anywhere. */
function endedHere(error: unknown, request: Request): boolean {
  const to = error instanceof Response ? error.headers.get("Location") : null;
  return Boolean(to?.startsWith("/sign-in")) && new URL(request.url).pathname === window.location.pathname;
}

/** The routes that show what was kept, or what stands in for it, since their last reading found no server. */
const old = new Set<string>();

/** Whether what a route shows is not the server's last word on it. */
export const isOld = (routeId: string): boolean => old.has(routeId);

/** What came after what was kept had been shown in its place: it is the next reading, if it is asked for soon. */
const arrived = new Map<string, { read: unknown; atMs: number }>();
const STAYS_NEW_MS = 4000;
const waiting = new Set<() => void>();
/** How often each page was read: of two readings under way only the one that began last is news. */
const turns = new Map<string, number>();

/** Told as a late reading has come: whoever shows what was kept reads again, and has it at once. */
export function onLateReading(hear: () => void): () => void {
  waiting.add(hear);
  return () => waiting.delete(hear);
}

function come(name: string): { read: unknown } | undefined {
  const there = arrived.get(name);
  arrived.delete(name);
  return there && Date.now() - there.atMs < STAYS_NEW_MS ? there : undefined;
}

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
    const late = name ? come(name) : undefined;
    if (late) {
      connection.found();
      old.delete(routeId);
      return late.read as Data;
    }
    const turn = (turns.get(name ?? "") ?? 0) + 1;
    turns.set(name ?? "", turn);
    const reading = (serverLoader() as Promise<Data>).then((read) => {
      connection.found();
      old.delete(routeId);
      if (name) void keepPage(name, read);
      return read;
    });
    try {
      const kept = name ? await lateFor(reading, name) : undefined;
      if (!kept) return await reading;
      // It may still come, and is kept and shown then; nobody waits for it, or hears how it ends otherwise.
      const whole = name ?? "";
      reading.then(
        (read) => {
          if (turns.get(whole) !== turn) return;
          arrived.set(whole, { read, atMs: Date.now() });
          for (const hear of waiting) hear();
        },
        () => undefined,
      );
      old.add(routeId);
      connection.lost(new Date().toISOString());
      connection.showing(kept.at);
      return kept.data as Data;
    } catch (error) {
      // Left for another page before it came: nobody waits for it.
      if (request.signal.aborted) throw error;
      const isEnded = endedHere(error, request);
      if (isOwnWord(error) && !isEnded) throw error;
      old.add(routeId);
      const [reference, why] = [referenceOf(error), whyOf(error)];
      if (isEnded) connection.signedOut();
      else
        connection.lost(new Date().toISOString(), {
          ...(reference ? { reference } : {}),
          ...(why ? { why } : {}),
        });
      const kept = name ? await readPage(name) : undefined;
      if (kept) connection.showing(kept.at);
      const shown = (kept?.data as Data | undefined) ?? (await instead?.(args));
      if (shown !== undefined) return shown;
      if (isEnded || reference || why) throw error;
      throw data({ message: UNREAD, isCutOff: true }, { status: 503 });
    }
  };
}

/** What was kept of a page, where its reading is still under way after so long; nothing where it has come, or nothing was kept. */
async function lateFor(reading: Promise<unknown>, name: string) {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<typeof LATE>((resolve) => {
    timer = setTimeout(() => resolve(LATE), LONGEST_READ_MS);
  });
  try {
    return (await Promise.race([reading, late])) === LATE ? await readPage(name) : undefined;
  } finally {
    clearTimeout(timer);
  }
}
