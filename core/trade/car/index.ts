export type { CoolingCard } from "./cooling-card.ts";
export { type DistanceRead, type DistanceTrouble, distanceTrouble } from "./distance-trouble.ts";
export { MOST_KM, readDistance } from "./read-distance.ts";
