import { shopApp } from "./app.mjs";

/**
 * Browsers and proxies use a connection again for up to about a minute. Whoever closes it first may be asked something in
 * the same moment, which is lost then: it shouldn't be the server.
 */
const KEPT_OPEN_MS = 75_000;

/**
 * Serves in this process until it is told to stop, or until whoever started it is gone. Then it takes nothing new, finishes
 * what is under way, and cuts off what takes longer than `finishS`.
 */
export async function serveHere({ port, host, finishS, ...settings }) {
  let isStopping = false;
  /** Streams that only tell of what grows: nobody waits for their end. */
  const streams = new Set();
  const app = await shopApp(settings, (request, response, next) => {
    if (isStopping) response.setHeader("Connection", "close");
    if (request.get("accept")?.includes("text/event-stream")) streams.add(response);
    response.on("close", () => {
      streams.delete(response);
      // Kept open by a browser that may never ask again.
      if (isStopping) setImmediate(() => server.closeIdleConnections());
    });
    next();
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
  server.keepAliveTimeout = KEPT_OPEN_MS;
  function stop() {
    if (isStopping) return;
    isStopping = true;
    server.close(() => void Promise.resolve(app.locals.leave?.()).finally(() => process.exit(0)));
    server.closeIdleConnections();
    for (const response of streams) response.destroy();
    setTimeout(() => server.closeAllConnections(), 1000 * finishS).unref();
  }
  for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, stop);
  process.on("disconnect", stop);
}
