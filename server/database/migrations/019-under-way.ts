import { APP_ROLE, type Migration } from "./migration.ts";

const THIS_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

/** Logs and pictures of a job that are being looked at outside any transaction: its signature waits for them. */
export const underWay: Migration = {
  name: "019-under-way",
  up: `
CREATE TABLE under_way (
  shop_id uuid NOT NULL,
  job_id uuid NOT NULL,
  id uuid NOT NULL,
  what text NOT NULL CHECK (what IN ('log', 'picture')),
  began_at timestamptz NOT NULL,
  PRIMARY KEY (shop_id, job_id, id),
  FOREIGN KEY (shop_id, job_id) REFERENCES jobs (shop_id, id)
);
ALTER TABLE under_way ENABLE ROW LEVEL SECURITY;
ALTER TABLE under_way FORCE ROW LEVEL SECURITY;
CREATE POLICY own_rows ON under_way USING (shop_id = ${THIS_SHOP}) WITH CHECK (shop_id = ${THIS_SHOP});
GRANT SELECT, INSERT, UPDATE, DELETE ON under_way TO ${APP_ROLE};
`,
  down: "DROP TABLE under_way;",
};
