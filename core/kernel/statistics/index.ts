export { medianOf } from "./median.ts";
export { quantiles, ratios, steps, type Weighed } from "./quantile.ts";
export { type Trend, timesItsError, trend } from "./trend.ts";
