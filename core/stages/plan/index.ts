export { offersFor } from "./offers-for.ts";
export { type Gate, looksFor, partsGate } from "./parts-gate.ts";
export { promisesOf } from "./promises.ts";
export { type WorkOrder, workOrderOf } from "./work-order.ts";
