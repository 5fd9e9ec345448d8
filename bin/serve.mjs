#!/usr/bin/env node
// Serves the production build: static files, security headers, refusal of cross-site posts, and the application.
import "./lib/production.mjs";
import { randomBytes } from "node:crypto";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { createRequestHandler } from "@react-router/express";
import compression from "compression";
import express from "express";
import expressStaticGzip from "express-static-gzip";
import helmet from "helmet";
import pLimit from "p-limit";
import { ROOT } from "./lib/paths.mjs";
import { Trouble } from "./lib/say.mjs";
import { readSettings } from "./lib/settings.mjs";

/** Nothing that a person types is larger; logs and whole jobs are files. */
const MOST_BODY_BYTES = 64_000;
const MOST_FILE_BYTES = 52_000_000;
/** A picture never changes under its address, and a stream must not be packed on its way. */
const SAYS_HOW_LONG = /^\/jobs\/[^/]+\/(?:pictures\/[^/]+\/[^/]+|grown)$/;
const TAKES_FILES =
  /^\/(?:jobs\/(?:[^/]+\/(?:logs|pictures)|read-in)|vehicles\/[^/]+\/levels\.csv|shelf\/list\.csv)(?:\.data)?$/;
const METHODS = ["GET", "HEAD", "POST", "OPTIONS"];
const HOST_NAME =
  /^(?:[a-z0-9_](?:[a-z0-9_-]*[a-z0-9_])?(?:\.[a-z0-9_](?:[a-z0-9_-]*[a-z0-9_])?)*\.?|\[[0-9a-f:.]+\])(?::\d{1,5})?$/i;
const { port, host, hops, publicUrl } = settingsOrEnd();
const isHttps = publicUrl?.protocol === "https:" || process.env.HTTPS === "1";

/** What can't be is said in a sentence, and nothing is served. */
function settingsOrEnd() {
  try {
    const { APP_DATABASE_URL, DATABASE_URL } = process.env;
    if (!APP_DATABASE_URL && !DATABASE_URL)
      throw new Trouble(
        "There is no database: APP_DATABASE_URL says where it is. For one beside the program: npm run shop",
      );
    return readSettings(process.env);
  } catch (error) {
    if (!(error instanceof Trouble)) throw error;
    process.stderr.write(`${error.message}\n`);
    process.exit(1);
  }
}

const app = express();
app.disable("x-powered-by");
app.set("trust proxy", hops);

let isStopping = false;
/** Streams that only tell of what grows: nobody waits for their end. */
const streams = new Set();

/** That the process is there; whether it can work is /readyz, which asks the database. */
app.get("/healthz", (_request, response) => response.type("text").send("here\n"));
app.use((_request, response, next) => {
  if (isStopping) response.setHeader("Connection", "close");
  response.on("close", () => {
    streams.delete(response);
    // Kept open by a browser that may never ask again.
    if (isStopping) setImmediate(() => server.closeIdleConnections());
  });
  next();
});

/** What no page of ours is ever asked for: other methods, hosts that are no names, addresses that can't be decoded. */
app.use((request, response, next) => {
  const refuse = (status, message) => response.status(status).type("text").send(message);
  if (!METHODS.includes(request.method)) {
    response.setHeader("Allow", METHODS.join(", "));
    return refuse(405, "That can't be done here.");
  }
  if (!HOST_NAME.test(request.get("host") ?? "")) return refuse(400, "That is no name of a host.");
  try {
    const path = decodeURIComponent(request.path);
    if (path.includes("\u0000")) return refuse(400, "There is no such address.");
  } catch {
    return refuse(400, "There is no such address.");
  }
  if (request.method === "OPTIONS") {
    response.setHeader("Allow", METHODS.join(", "));
    return response.status(204).end();
  }
  next();
});
/**
 * A page is some forty of these: what only a page's own headers can do, and would weigh as much as the small ones
 * themselves, is left out. A worker goes by the policy that its script came with.
 */
app.use(
  "/assets",
  expressStaticGzip(join(ROOT, "build/client/assets"), {
    enableBrotli: true,
    orderPreference: ["br", "gz"],
    serveStatic: {
      immutable: true,
      maxAge: "1y",
      index: false,
      setHeaders: (response) => {
        response.setHeader("Content-Security-Policy", "default-src 'self'");
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader("Cross-Origin-Resource-Policy", "same-origin");
      },
    },
  }),
);
app.use((_request, response, next) => {
  response.locals.nonce = randomBytes(16).toString("base64");
  next();
});
app.use(
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        "default-src": ["'none'"],
        "script-src": ["'self'", (_request, response) => `'nonce-${response.locals.nonce}'`],
        "style-src": ["'self'", "'unsafe-inline'"],
        "img-src": ["'self'", "data:", "blob:"],
        "font-src": ["'self'"],
        "connect-src": ["'self'"],
        "worker-src": ["'self'"],
        "manifest-src": ["'self'"],
        "form-action": ["'self'"],
        "base-uri": ["'none'"],
        "frame-ancestors": ["'none'"],
      },
    },
    strictTransportSecurity: isHttps ? { maxAge: 31_536_000 } : false,
    crossOriginEmbedderPolicy: false,
    referrerPolicy: { policy: "same-origin" },
  }),
);
app.use((_request, response, next) => {
  // Tells a page of ours from a proxy's.
  response.setHeader("X-Warm-Ledger", "1");
  response.setHeader("Permissions-Policy", "camera=(), microphone=(), geolocation=()");
  next();
});

/** A form on another site can't post here: the browser says where a post comes from, and it must be from us. */
app.use((request, response, next) => {
  if (["GET", "HEAD", "OPTIONS"].includes(request.method)) return next();
  const origin = request.get("origin");
  if (origin !== (publicUrl?.origin ?? `${request.protocol}://${request.get("host")}`)) {
    return response.status(403).type("text").send("This was sent from another site and is refused.");
  }
  const length = request.get("content-length");
  if (length === undefined && request.get("transfer-encoding")) {
    return response.status(411).json({ refused: { message: "Say how long it is.", fields: {} } });
  }
  const isFile = TAKES_FILES.test(request.path);
  if (Number(length ?? 0) > (isFile ? MOST_FILE_BYTES : MOST_BODY_BYTES)) {
    const message = isFile
      ? `That is ${Math.round(Number(length) / 1e6)} MB; at most 48 MB can be read. Of a log export one warm-up, or fewer columns; of a picture send a smaller one.`
      : `That is ${Math.round(Number(length) / 1000)} kB; at most ${MOST_BODY_BYTES / 1000} kB can be read at once.`;
    return response.status(413).json({ refused: { message, fields: isFile ? { log: message } : {} } });
  }
  next();
});

const shell = readFileSync(join(ROOT, "build/shell.html"), "utf8");
/** The page that a browser keeps and starts from without a network: the program alone, nobody's data. */
app.get("/shell.html", (_request, response) => {
  response.setHeader("Cache-Control", "no-cache");
  response.type("html").send(shell.replaceAll("nonce-comes-here", response.locals.nonce));
});
app.get("/service-worker.js", (_request, response) => {
  response.setHeader("Cache-Control", "no-cache");
  response.sendFile(join(ROOT, "build/client/service-worker.js"));
});
app.use(compression());
app.use(express.static(join(ROOT, "build/client"), { maxAge: "1h", index: false }));

/** However many knock at once, two are let through at a time: the shop's own bookings go on between them. */
const entering = pLimit(2);
const MOST_WAITING = 500;
app.use((request, response, next) => {
  if (request.method !== "POST" || !/^\/sign-in(?:\.data)?$/.test(request.path)) return next();
  if (entering.pendingCount >= MOST_WAITING) {
    response.setHeader("Retry-After", "5");
    return response
      .status(503)
      .type("text")
      .send("Too many are at the door just now. Try again in 5 seconds.");
  }
  void entering(
    () =>
      new Promise((done) => {
        response.on("close", done);
        if (response.destroyed) done();
        else next();
      }),
  );
});

const build = await import(join(ROOT, "build/server/index.js"));
app.use((request, response, next) => {
  // What a handler says of keeping is added to what stands here, and can't take it back.
  if (!SAYS_HOW_LONG.test(request.path)) response.setHeader("Cache-Control", "no-store");
  if (request.get("accept")?.includes("text/event-stream")) streams.add(response);
  createRequestHandler({
    build,
    mode: "production",
    getLoadContext: () => ({
      nonce: response.locals.nonce,
      source: request.ip,
      origin: publicUrl?.origin,
    }),
  })(request, response, next);
});

/** Anything that got past everything above: one sentence, never a stack. */
app.use((error, _request, response, next) => {
  if (response.headersSent) return next(error);
  const status = error.status >= 400 && error.status < 500 ? error.status : 500;
  if (status === 500) process.stderr.write(`${error.stack ?? error}\n`);
  response
    .status(status)
    .type("text")
    .send(status === 500 ? "A fault of ours, not yours." : "That can't be read.");
});

const server = app.listen(port, host, (error) => {
  if (error) {
    process.stderr.write(
      error.code === "EADDRINUSE"
        ? `Port ${port} is in use. Choose another: PORT=${port + 1} npm run demo\n`
        : `${error.message}\n`,
    );
    process.exit(1);
  }
  process.send?.("ready");
  if (!process.send) process.stdout.write(`Serving on http://${host}:${port}\n`);
});
const FINISH_MS = 5000;
/** Takes nothing new, finishes what is under way, and cuts off what takes longer than that. */
function stop() {
  if (isStopping) return;
  isStopping = true;
  server.close(() => process.exit(0));
  server.closeIdleConnections();
  for (const response of streams) response.destroy();
  setTimeout(() => server.closeAllConnections(), FINISH_MS).unref();
}
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, stop);
// Whoever started it is gone, killed perhaps: nobody is left to stop it.
process.on("disconnect", stop);
