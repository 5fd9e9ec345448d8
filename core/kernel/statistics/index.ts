export { quantiles, ratios, steps, type Weighed } from "./quantile.ts";
export { medianOf, READING_L, timesItsError, trend } from "./trend.ts";
