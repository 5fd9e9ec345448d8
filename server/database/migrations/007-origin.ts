import type { Migration } from "./migration.ts";

/** Where a job that was read in came from; a log takes no change either; what a person who never signs in here is. */
export const origin: Migration = {
  name: "007-origin",
  up: `
ALTER TABLE jobs ADD COLUMN origin jsonb CHECK (jsonb_typeof(origin) = 'object' AND length(origin::text) <= 20000);
CREATE TRIGGER logs_append_only BEFORE UPDATE OR DELETE ON logs FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER logs_no_truncate BEFORE TRUNCATE ON logs FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
`,
  down: `
DROP TRIGGER logs_no_truncate ON logs;
DROP TRIGGER logs_append_only ON logs;
ALTER TABLE jobs DROP COLUMN origin;
`,
};
