import pino from "pino";
import { collectDefaultMetrics, Gauge, Histogram } from "prom-client";

const log = pino({ level: process.env.LOG_LEVEL ?? "info", base: null });
/** A session, an enrolment and a calendar are in these addresses: nobody reads them in a log. */
const SECRET = /^\/(this-device|calendar)\/[^/]+/;
const STATEMENTS = [2, 4, 8, 12, 16, 24, 32, 64];
const SECONDS = [0.01, 0.025, 0.05, 0.1, 0.15, 0.25, 0.5, 1, 2.5, 5, 10];

const kindOf = ({ method, path }, isStream) => {
  if (isStream) return "stream";
  if (method === "POST") return "post";
  return path.endsWith(".data") ? "data" : "page";
};

/** By the first part of the address where it is one of ours, so that nobody's invented addresses fill the table. */
const areaOf = (path, areas) => {
  const first = path.split("/")[1]?.replace(/\.(data|csv)$/, "") ?? "";
  if (first === "") return "today";
  return areas.has(first) ? first : "other";
};

/** The first parts of the addresses that a build answers to. */
const areasOf = (build) =>
  new Set(Object.values(build.routes).flatMap(({ path }) => (path ? [path.split("/")[0]] : [])));

/** Says of each request what came of it, who asked and how long it took: as a line in the log and in the figures at METRICS_PORT. */
export function measured(build, say = (line) => log.info(line, "request")) {
  const areas = areasOf(build);
  collectDefaultMetrics();
  const took = new Histogram({
    name: "warm_ledger_request_seconds",
    help: "How long answers took, streams aside",
    labelNames: ["area", "kind", "status"],
    buckets: SECONDS,
  });
  const asked = new Histogram({
    name: "warm_ledger_request_statements",
    help: "How many statements a request asked of the database, streams aside",
    labelNames: ["area", "kind"],
    buckets: STATEMENTS,
  });
  const open = new Gauge({ name: "warm_ledger_streams", help: "Streams that tell of growing books" });
  return (request, response, next) => {
    // A page is some forty of these, and most are never asked for again.
    if (request.path.startsWith("/assets/")) return next();
    const from = performance.now();
    const isStream = request.get("accept")?.includes("text/event-stream") ?? false;
    const kind = kindOf(request, isStream);
    response.locals.seen = {};
    response.locals.path = request.path.replace(SECRET, "/$1/…");
    if (isStream) open.inc();
    response.on("close", () => {
      const ms = Math.round(10 * (performance.now() - from)) / 10;
      const status = response.writableFinished || isStream ? response.statusCode : "cut off";
      if (isStream) open.dec();
      else {
        const area = areaOf(request.path, areas);
        took.observe({ area, kind, status }, ms / 1000);
        asked.observe({ area, kind }, response.locals.seen.statements ?? 0);
      }
      say({ method: request.method, path: response.locals.path, status, ms, ...response.locals.seen });
    });
    next();
  };
}
