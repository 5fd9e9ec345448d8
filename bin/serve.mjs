#!/usr/bin/env node
// Serves the production build: static files, security headers, refusal of cross-site posts, and the application.
import { randomBytes } from "node:crypto";
import { join } from "node:path";
import { createRequestHandler } from "@react-router/express";
import compression from "compression";
import express from "express";
import helmet from "helmet";
import { ROOT } from "./lib/paths.mjs";

const MOST_BODY_BYTES = 52_000_000;
const port = Number(process.env.PORT ?? 4310);
const host = process.env.HOST ?? "127.0.0.1";
const isHttps = process.env.HTTPS === "1";

const app = express();
app.disable("x-powered-by");
app.set("trust proxy", process.env.TRUST_PROXY === "1");

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
        "img-src": ["'self'", "data:"],
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
  response.setHeader("Permissions-Policy", "camera=(), microphone=(), geolocation=()");
  next();
});

/** A form on another site can't post here: the browser says where a post comes from, and it must be from us. */
app.use((request, response, next) => {
  if (["GET", "HEAD", "OPTIONS"].includes(request.method)) return next();
  const origin = request.get("origin");
  if (origin !== `${request.protocol}://${request.get("host")}`) {
    return response.status(403).type("text").send("This was sent from another site and is refused.");
  }
  const length = request.get("content-length");
  if (length === undefined && request.get("transfer-encoding")) {
    return response.status(411).json({ refused: { message: "Say how long it is.", fields: {} } });
  }
  if (Number(length ?? 0) > MOST_BODY_BYTES) {
    const message = `That is ${Math.round(Number(length) / 1e6)} MB; at most 48 MB can be read. Export one warm-up, or fewer columns.`;
    return response.status(413).json({ refused: { message, fields: { log: message } } });
  }
  next();
});

app.use(compression());
app.use("/assets", express.static(join(ROOT, "build/client/assets"), { immutable: true, maxAge: "1y" }));
app.use(express.static(join(ROOT, "build/client"), { maxAge: "1h", index: false }));

const build = await import(join(ROOT, "build/server/index.js"));
app.use((request, response, next) => {
  response.setHeader("Cache-Control", "no-store");
  createRequestHandler({
    build,
    mode: "production",
    getLoadContext: () => ({ nonce: response.locals.nonce }),
  })(request, response, next);
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
function stop() {
  server.close(() => process.exit(0));
  server.closeAllConnections();
}
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, stop);
// Whoever started it is gone, killed perhaps: nobody is left to stop it.
process.on("disconnect", stop);
