/** Reads a log's health on the page's own thread, for a browser that has no worker. */
export { explainLog, readHealth, runDays } from "./read-health.ts";
