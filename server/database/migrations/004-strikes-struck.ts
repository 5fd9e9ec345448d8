import type { Migration } from "./migration.ts";

/** A line whose correction was struck can be corrected again, so several may name it; which one acts, the core tells. */
export const strikesStruck: Migration = {
  name: "004-strikes-struck",
  up: `
ALTER TABLE entries DROP CONSTRAINT entries_shop_id_corrects_key;
CREATE INDEX entries_corrections ON entries (shop_id, corrects) WHERE corrects IS NOT NULL;
`,
  down: `
DROP INDEX entries_corrections;
ALTER TABLE entries ADD CONSTRAINT entries_shop_id_corrects_key UNIQUE (shop_id, corrects);
`,
};
