/** The planner on the page's own thread, for a browser that has no worker. */
export { planOf } from "../../core/stages/find/index.ts";
