import type { Migration } from "./migration.ts";

/** The distance a vehicle came into the books with, for when every distance read since has been struck. */
export const firstDistance: Migration = {
  name: "005-first-distance",
  up: `
ALTER TABLE vehicles ADD COLUMN first_distance_km double precision CHECK (first_distance_km BETWEEN 0 AND 5000000);
ALTER TABLE vehicles NO FORCE ROW LEVEL SECURITY;
UPDATE vehicles SET first_distance_km = distance_km;
ALTER TABLE vehicles FORCE ROW LEVEL SECURITY;
`,
  down: `
ALTER TABLE vehicles DROP COLUMN first_distance_km;
`,
};
