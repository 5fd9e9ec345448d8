import { PassThrough } from "node:stream";
import { createReadableStreamFromReadable } from "@react-router/node";
import { isbot } from "isbot";
import { renderToPipeableStream } from "react-dom/server";
import { type AppLoadContext, type EntryContext, isRouteErrorResponse, ServerRouter } from "react-router";
import { recordLiveLogs } from "./desk/live-recorders.server.ts";
import { log, loggedPath } from "./desk/log.server.ts";
import { NonceContext } from "./desk/nonce.ts";

const ABORT_AFTER_MS = 10_000;

/** What a process does beside answering, from its start on: called by whatever serves the program, and by nothing that only builds it. */
export const serves = recordLiveLogs;

export default function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  context: EntryContext,
  loadContext: AppLoadContext,
): Promise<Response> {
  const nonce = String((loadContext as { nonce?: string }).nonce ?? "");
  return new Promise((resolve, reject) => {
    const waitForAll = isbot(request.headers.get("user-agent") ?? "") || context.isSpaMode;
    let isSent = false;
    const { pipe, abort } = renderToPipeableStream(
      <NonceContext value={nonce}>
        <ServerRouter context={context} url={request.url} nonce={nonce} />
      </NonceContext>,
      {
        nonce,
        // The parts of a page are boundaries for taking it over piece by piece; it still comes as one.
        progressiveChunkSize: Number.MAX_SAFE_INTEGER,
        [waitForAll ? "onAllReady" : "onShellReady"]() {
          isSent = true;
          const body = new PassThrough();
          headers.set("Content-Type", "text/html; charset=utf-8");
          resolve(new Response(createReadableStreamFromReadable(body), { headers, status }));
          pipe(body);
        },
        onShellError: reject,
        onError(error: unknown) {
          if (isSent)
            log.error({ err: error, path: loggedPath(loadContext, request) }, "fault while rendering");
        },
      },
    );
    setTimeout(abort, ABORT_AFTER_MS).unref();
  });
}

/** What the router could not answer: addresses and methods that aren't there are nobody's fault, the rest is noted. */
export function handleError(
  error: unknown,
  { request, context }: { request: Request; context: unknown },
): void {
  if (request.signal.aborted || (isRouteErrorResponse(error) && error.status < 500)) return;
  log.error({ method: request.method, path: loggedPath(context, request), err: error }, "fault");
}
