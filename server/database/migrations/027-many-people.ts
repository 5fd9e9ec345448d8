import type { Migration } from "./migration.ts";

const checked = (letters: number) => `
ALTER TABLE jobs DROP CONSTRAINT jobs_origin_check;
ALTER TABLE jobs ADD CONSTRAINT jobs_origin_check CHECK (jsonb_typeof(origin) = 'object' AND length(origin::text) <= ${letters});`;

/** A file may name five hundred people by names of eighty letters, and where a job came from says who they were there. */
export const manyPeople: Migration = {
  name: "027-many-people",
  up: checked(200_000),
  down: checked(20_000),
};
