import type { Migration } from "./migration.ts";

/** A plate alone opens a vehicle: VIN and model may come later. A card may be another vehicle's until it is looked at. */
export const knownLater: Migration = {
  name: "011-known-later",
  up: `
ALTER TABLE vehicles ALTER COLUMN vin DROP NOT NULL;
ALTER TABLE vehicles DROP CONSTRAINT vehicles_name_check;
ALTER TABLE vehicles ADD CONSTRAINT vehicles_name_check CHECK (length(name) <= 80);
CREATE INDEX vehicles_by_model ON vehicles (shop_id, lower(name));
ALTER TABLE cooling_cards ADD COLUMN taken_from text CHECK (length(taken_from) BETWEEN 1 AND 16);
`,
  down: `
ALTER TABLE cooling_cards DROP COLUMN taken_from;
DROP INDEX vehicles_by_model;
ALTER TABLE vehicles DROP CONSTRAINT vehicles_name_check;
ALTER TABLE vehicles ADD CONSTRAINT vehicles_name_check CHECK (length(name) BETWEEN 1 AND 80);
ALTER TABLE vehicles ALTER COLUMN vin SET NOT NULL;
`,
};
