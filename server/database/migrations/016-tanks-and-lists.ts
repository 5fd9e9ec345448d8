import type { Migration } from "./migration.ts";

/** Levels by their height in the tank, once somebody has measured how far a litre lifts it; and levels of a list. */
export const tanksAndLists: Migration = {
  name: "016-tanks-and-lists",
  up: `
ALTER TABLE vehicles ADD COLUMN tank_lifts_mm double precision CHECK (tank_lifts_mm BETWEEN 5 AND 500);
ALTER TABLE levels ADD COLUMN below_mm double precision CHECK (below_mm BETWEEN -1000 AND 1000);
-- Who took it by the list that it came with; taken_by is then who read the list in.
ALTER TABLE levels ADD COLUMN listed boolean NOT NULL DEFAULT false;
ALTER TABLE levels ADD COLUMN listed_by text CHECK (length(listed_by) <= 120);
`,
  down: `ALTER TABLE levels DROP COLUMN listed_by; ALTER TABLE levels DROP COLUMN listed;
ALTER TABLE levels DROP COLUMN below_mm; ALTER TABLE vehicles DROP COLUMN tank_lifts_mm;`,
};
