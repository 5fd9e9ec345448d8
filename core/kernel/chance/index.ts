export { picked } from "./picked.ts";
export { seededRandom } from "./seeded-random.ts";
