import { APP_ROLE, type Migration } from "./migration.ts";

/** When the whole installation was backed up; every shop of it may know. The owner alone writes it. */
export const backups: Migration = {
  name: "020-backups",
  up: `
CREATE TABLE backups (
  taken_at timestamptz PRIMARY KEY DEFAULT now(),
  bytes bigint NOT NULL CHECK (bytes > 0),
  row_count bigint NOT NULL CHECK (row_count >= 0)
);
GRANT SELECT ON backups TO ${APP_ROLE};
`,
  down: "DROP TABLE backups;",
};
