import { readFileSync } from "node:fs";
import { join } from "node:path";
import { createRequestHandler } from "@react-router/express";
import compression from "compression";
import express from "express";
import expressStaticGzip from "express-static-gzip";
import { ROOT } from "../lib/paths.mjs";
import { oneByOne, refusePosts, refuseStrange } from "./doors.mjs";
import { assetHeaders, pageHeaders } from "./headers.mjs";
import { measured } from "./measured.mjs";

/** A picture never changes under its address, and a stream must not be packed on its way. */
const SAYS_HOW_LONG = /^\/jobs\/[^/]+\/(?:pictures\/[^/]+\/[^/]+|grown)$/;

const assets = expressStaticGzip(join(ROOT, "build/client/assets"), {
  enableBrotli: true,
  orderPreference: ["br", "gz"],
  serveStatic: { immutable: true, maxAge: "1y", index: false, setHeaders: assetHeaders },
});

/** The pages that a browser keeps and starts from without a network: the program alone, nobody's data. */
function keptPages(app) {
  const shell = readFileSync(join(ROOT, "build/shell.html"), "utf8");
  app.get("/shell.html", (_request, response) => {
    response.setHeader("Cache-Control", "no-cache");
    response.type("html").send(shell.replaceAll("nonce-comes-here", response.locals.nonce));
  });
  app.get("/service-worker.js", (_request, response) => {
    response.setHeader("Cache-Control", "no-cache");
    response.sendFile(join(ROOT, "build/client/service-worker.js"));
  });
}

/** What somebody has just written is not yet where others read: for so long they read where it was written. */
const FOLLOWS_IN_S = 5;

function program(build, publicUrl) {
  // Made once: what it works out of the routes takes longer than a booking's own reckoning.
  const answer = createRequestHandler({
    build,
    mode: "production",
    getLoadContext: (request, { locals }) => ({
      nonce: locals.nonce,
      source: request.ip,
      origin: publicUrl?.origin,
      seen: locals.seen,
      path: locals.path,
    }),
  });
  const secure = publicUrl?.protocol === "https:" ? "; Secure" : "";
  return (request, response, next) => {
    if (request.method === "POST" && process.env.READ_DATABASE_URL)
      response.append(
        "Set-Cookie",
        `wrote=1; Max-Age=${FOLLOWS_IN_S}; Path=/; HttpOnly; SameSite=Lax${secure}`,
      );
    // What a handler says of keeping is added to what stands here, and can't take it back.
    if (!SAYS_HOW_LONG.test(request.path)) response.setHeader("Cache-Control", "no-store");
    answer(request, response, next);
  };
}

/** Anything that got past everything above: one sentence, never a stack. */
function lastWord(error, _request, response, next) {
  if (response.headersSent) return next(error);
  const status = error.status >= 400 && error.status < 500 ? error.status : 500;
  if (status === 500) process.stderr.write(`${error.stack ?? error}\n`);
  response
    .status(status)
    .type("text")
    .send(status === 500 ? "A fault of ours, not yours." : "That can't be read.");
}

/**
 * The production build as it is served: static files, security headers, refusal of cross-site posts, and the application.
 * `onAsked` stands before all of it.
 */
export async function shopApp({ hops, publicUrl }, onAsked) {
  const build = await import(join(ROOT, "build/server/index.js"));
  const app = express();
  app.disable("x-powered-by");
  app.set("trust proxy", hops);
  // That the process is there; whether it can work is /readyz, which asks the database.
  app.get("/healthz", (_request, response) => response.type("text").send("here\n"));
  app.use(onAsked);
  // What a process does beside answering; ended as it stops.
  app.locals.leave = build.entry.module.serves?.();
  app.use(measured(build));
  app.use(refuseStrange);
  app.use("/assets", assets);
  app.use(...pageHeaders(publicUrl?.protocol === "https:"));
  app.use(refusePosts(publicUrl));
  keptPages(app);
  app.use(compression());
  app.use(express.static(join(ROOT, "build/client"), { maxAge: "1h", index: false }));
  app.use(oneByOne());
  app.use(program(build, publicUrl));
  app.use(lastWord);
  return app;
}
