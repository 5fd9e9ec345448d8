export { seededRandom } from "./seeded-random.ts";
