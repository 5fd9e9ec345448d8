/** Logs on the page's own thread, for a browser that has no worker. */
export { compareLogs } from "./compare-logs.ts";
export { coolReadings } from "./cool-readings.ts";
export { judgeLog } from "./judge-log.ts";
