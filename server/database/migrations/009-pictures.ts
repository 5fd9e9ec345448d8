import { APP_ROLE, type Migration } from "./migration.ts";

const THIS_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

/** Pictures of a job, apart from its entries: each under the id of the line that books it. */
export const pictures: Migration = {
  name: "009-pictures",
  up: `
CREATE TABLE pictures (
  shop_id uuid NOT NULL,
  id uuid NOT NULL,
  job_id uuid NOT NULL,
  width integer NOT NULL CHECK (width BETWEEN 1 AND 4000),
  height integer NOT NULL CHECK (height BETWEEN 1 AND 4000),
  sha256 text NOT NULL CHECK (sha256 ~ '^[0-9a-f]{64}$'),
  content bytea NOT NULL CHECK (length(content) BETWEEN 1 AND 400000),
  small bytea NOT NULL CHECK (length(small) BETWEEN 1 AND 60000),
  created_by uuid NOT NULL,
  created_at timestamptz NOT NULL,
  PRIMARY KEY (shop_id, id),
  FOREIGN KEY (shop_id, job_id) REFERENCES jobs (shop_id, id),
  FOREIGN KEY (shop_id, created_by) REFERENCES people (shop_id, id)
);
CREATE INDEX pictures_of_job ON pictures (shop_id, job_id);
ALTER TABLE pictures ENABLE ROW LEVEL SECURITY;
ALTER TABLE pictures FORCE ROW LEVEL SECURITY;
CREATE POLICY own_rows ON pictures USING (shop_id = ${THIS_SHOP}) WITH CHECK (shop_id = ${THIS_SHOP});
CREATE TRIGGER pictures_append_only BEFORE UPDATE OR DELETE ON pictures FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER pictures_no_truncate BEFORE TRUNCATE ON pictures FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
GRANT SELECT, INSERT ON pictures TO ${APP_ROLE};
`,
  down: "DROP TABLE pictures;",
};
