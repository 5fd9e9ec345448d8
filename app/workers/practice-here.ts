/** The planner's way on the page's own thread, for a browser that has no worker. */
export { tellPlannersWay } from "../../core/trade/practice/index.ts";
