import type { Migration } from "./migration.ts";

/** The maker's approval that a card asks of a coolant, and those that a coolant on the shelf carries. */
export const approvals: Migration = {
  name: "015-approvals",
  up: `
ALTER TABLE cooling_cards ADD COLUMN coolant_approval text NOT NULL DEFAULT '' CHECK (length(coolant_approval) <= 80);
ALTER TABLE shelf ADD COLUMN approval text NOT NULL DEFAULT ''
  CHECK (length(approval) <= 80 AND (kind = 'coolant' OR approval = ''));
`,
  down: "ALTER TABLE shelf DROP COLUMN approval; ALTER TABLE cooling_cards DROP COLUMN coolant_approval;",
};
