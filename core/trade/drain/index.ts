export { type DrainWay, drained, drainWays } from "./drain-ways.ts";
