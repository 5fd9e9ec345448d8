import { randomUUID } from "node:crypto";
import { data, type LoaderFunctionArgs, redirect } from "react-router";
import { asRefusal } from "../../server/database/as-refusal.ts";
import { type AtDesk, atDesk } from "../../server/database/connection.ts";
import { type Counted, counted } from "../../server/database/statements.ts";
import { type Role, reaches } from "../../server/desk/roles.ts";
import { findSession, type Member } from "../../server/subjects/people/find-session.ts";
import { isUntouched, readCookie, sessionCookie } from "./cookies.server.ts";
import { database, followingDatabase, leaveFollowing } from "./database.server.ts";
import { log, loggedPath } from "./log.server.ts";
import { oncePerRequest } from "./once.server.ts";

export interface Visit {
  request: Request;
  params: Record<string, string | undefined>;
  url: URL;
  /** What addresses that are told, printed or sent out begin with. */
  origin: string;
  member: Member;
  /** Runs one use-case in its own transaction, for this shop and person. */
  desk: AtDesk;
  /** The same for what may be a second old: by a database that follows, where there is one. Whoever has just written is shown what they wrote. */
  look: AtDesk;
  /** What several loaders of one page want is read once for all of them. */
  once: <Value>(key: string, read: () => Promise<Value>) => Promise<Value>;
  /** Whether the session still stands: for what goes on after the answer has begun. */
  isStillIn: () => Promise<boolean>;
}

/** What a refused action answers: shown beside its fields, with what was typed kept. */
export interface Refused {
  refused: { message: string; fields: Record<string, string> };
}

/** Set by the server after each post for some seconds, where a database follows. */
const HAS_WRITTEN = /(?:^|; ?)wrote=/;

function lookFor(request: Request, who: { shopId: string; personId: string }): AtDesk {
  const follower = HAS_WRITTEN.test(request.headers.get("Cookie") ?? "") ? undefined : followingDatabase();
  if (!follower) return (useCase) => atDesk(database(), who, useCase);
  return (useCase) =>
    atDesk(follower, who, useCase).catch((error: unknown) => {
      // One that follows may be gone, or be sent away by what it is told to keep up with: the other one knows too.
      if (!asRefusal(error)?.againInS && !isSentAway(error)) throw error;
      if (!isSentAway(error)) leaveFollowing();
      return atDesk(database(), who, useCase);
    });
}

/** A follower ends a reading that is in the way of what it has to take over (PostgreSQL, “recovery conflict”). */
const isSentAway = (error: unknown) =>
  (error as { parent?: { code?: unknown } } | null)?.parent?.code === "40001";

const isRead = ({ method }: Request) => method === "GET" || method === "HEAD";

/** What the log's line of a request says beside its address: who asked, and under which reference a fault is noted. */
function noteSeen(context: unknown, seen: { shop?: string; person?: string; reference?: string }): void {
  const { seen: kept } = (context ?? {}) as { seen?: object };
  if (kept) Object.assign(kept, seen);
}

function fault(error: unknown, request: Request, context: unknown): never {
  const reference = randomUUID().slice(0, 8);
  noteSeen(context, { reference });
  log.error({ reference, method: request.method, path: loggedPath(context, request), err: error }, "fault");
  throw data(
    {
      message: `A fault of ours, not yours. It is noted under ${reference}; nothing was half booked.`,
      reference,
    },
    { status: 500 },
  );
}

/** Turns a Refusal into a 4xx answer and anything unforeseen into a noted fault; answers and redirects pass through. */
async function answered<Result>(
  request: Request,
  context: unknown,
  work: () => Promise<Result>,
): Promise<Result> {
  const { seen = {} } = (context ?? {}) as { seen?: Counted };
  try {
    return await counted(seen, work);
  } catch (error) {
    const refusal = asRefusal(error);
    if (refusal) {
      const { message, status, fields, againInS, isDown } = refusal;
      if (status === 503)
        log.warn({ method: request.method, path: loggedPath(context, request), err: error }, message);
      const how = { status, ...(againInS ? { headers: { "Retry-After": String(againInS) } } : {}) };
      if (isRead(request)) throw data({ message, isDown }, how);
      return data({ refused: { message, fields }, ...(isDown && { isDown }) }, how) as Result;
    }
    if (error instanceof Response || (error && typeof error === "object" && "init" in error)) throw error;
    return fault(error, request, context);
  }
}

function askToSignIn(request: Request, url: URL): never {
  // A reading that follows a refused post has the post's type of content still: it is answered as the post was.
  const wantsPage = isRead(request) && !url.pathname.includes(".") && !request.headers.has("Content-Type");
  if (wantsPage)
    throw redirect(`/sign-in?to=${encodeURIComponent(url.pathname.replace(/\.data$/, "") + url.search)}`);
  throw data({ message: "You are not signed in.", isSignedOut: true }, { status: 401 });
}

/**
 * The one door of every loader and action: nobody passes without a session, or with a role that doesn't reach. Routes
 * that anybody may see say so with `openToAll`; there is no third way.
 */
export function guarded<Result>(role: Role, work: (visit: Visit) => Promise<Result>) {
  return ({ request, params, context }: Pick<LoaderFunctionArgs, "request" | "params" | "context">) =>
    answered(request, context, async () => {
      const url = new URL(request.url);
      const now = new Date();
      const token = await readCookie(sessionCookie, request);
      const find = () => findSession(database(), token, now, { isUntouched: isUntouched(request) });
      // A form posted by a page without scripts is followed by its loaders: an action may have changed who this is.
      const found = await (isRead(request) ? oncePerRequest(context, "session", find) : find());
      if (!found) return askToSignIn(request, url);
      noteSeen(context, { shop: found.shopId, person: found.personId });
      if (!reaches(found.role, role)) {
        const message = `This is for ${role === "lead" ? "a lead" : "technicians"}; you are signed in as ${found.name}.`;
        throw data({ message, refused: { message, fields: {} } }, { status: 403 });
      }
      const { shopId, personId } = found;
      return work({
        request,
        params,
        url,
        origin: originOf(context, url),
        member: found,
        desk: (useCase) => atDesk(database(), { shopId, personId }, useCase),
        look: lookFor(request, { shopId, personId }),
        once: (key, read) => oncePerRequest(context, key, read),
        isStillIn: async () =>
          (await findSession(database(), token, new Date(), { isUntouched: true })) !== undefined,
      });
    });
}

/** Under which address browsers find the shop: as whoever runs it has said, and only else as the request says. */
const originOf = (context: unknown, url: URL): string => {
  const { origin } = (context ?? {}) as { origin?: unknown };
  return typeof origin === "string" && origin !== "" ? origin : url.origin;
};

/** Where a request comes from, as the server (or the proxies that it trusts) saw it. */
const sourceOf = (context: unknown): string => {
  const { source } = (context ?? {}) as { source?: unknown };
  return typeof source === "string" && source !== "" ? source : "unknown";
};

/** A loader or action that needs no session: signing in, making a browser the shop's own, how things look. */
export function openToAll<Result>(
  work: (visit: Pick<Visit, "request" | "params" | "url" | "origin"> & { source: string }) => Promise<Result>,
) {
  return ({ request, params, context }: Pick<LoaderFunctionArgs, "request" | "params" | "context">) =>
    answered(request, context, () => {
      const url = new URL(request.url);
      return work({ request, params, url, origin: originOf(context, url), source: sourceOf(context) });
    });
}
