import { count } from "./counted.fixture.ts";

/**
 * How many a statistical test looks at: `few` of them in `npm test`, from a fixed seed, the `whole` of them in
 * `npm run bench -- samples`, which runs the same files. The figure that each must reach stands in the test alone.
 */
export function samples(few: number, whole: number): number {
  const asked = process.env.SAMPLES === "whole" ? whole : few;
  count("samples", asked);
  return asked;
}
