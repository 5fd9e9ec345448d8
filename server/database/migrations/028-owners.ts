import type { Migration } from "./migration.ts";

/** Whose car it is and where they are told of it; both may be forgotten, and nothing else keeps them. */
export const owners: Migration = {
  name: "028-owners",
  up: `
ALTER TABLE vehicles
  ADD COLUMN owner_name text CHECK (length(owner_name) <= 120),
  ADD COLUMN owner_phone text CHECK (length(owner_phone) <= 40);`,
  down: "ALTER TABLE vehicles DROP COLUMN owner_name, DROP COLUMN owner_phone;",
};
