export { type DistanceRead, type DistanceTrouble, distanceTrouble } from "./distance-trouble.ts";
