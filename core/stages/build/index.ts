export { type BackItem, type BackList, backList, isBeside } from "./back-list.ts";
export { type BackStep, buildOrder } from "./build-order.ts";
