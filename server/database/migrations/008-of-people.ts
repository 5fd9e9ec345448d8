import { APP_ROLE, type Migration } from "./migration.ts";

const THIS_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

/** How each person likes units and keys; what a browser has told of entries that wait in it; what a shop's money is. */
export const ofPeople: Migration = {
  name: "008-of-people",
  up: `
ALTER TABLE people ADD COLUMN preferences jsonb NOT NULL DEFAULT '{}'
  CHECK (jsonb_typeof(preferences) = 'object' AND length(preferences::text) <= 1000);
ALTER TABLE shops ADD COLUMN currency text NOT NULL DEFAULT 'EUR' CHECK (currency ~ '^[A-Z]{3}$');
GRANT UPDATE (currency) ON shops TO ${APP_ROLE};
CREATE TABLE unsent (
  shop_id uuid NOT NULL REFERENCES shops,
  browser_id uuid NOT NULL,
  name text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
  entries integer NOT NULL CHECK (entries BETWEEN 1 AND 100000),
  since timestamptz NOT NULL,
  told_at timestamptz NOT NULL,
  told_by uuid NOT NULL,
  PRIMARY KEY (shop_id, browser_id),
  FOREIGN KEY (shop_id, told_by) REFERENCES people (shop_id, id)
);
ALTER TABLE unsent ENABLE ROW LEVEL SECURITY;
ALTER TABLE unsent FORCE ROW LEVEL SECURITY;
CREATE POLICY own_rows ON unsent USING (shop_id = ${THIS_SHOP}) WITH CHECK (shop_id = ${THIS_SHOP});
GRANT SELECT, INSERT, UPDATE, DELETE ON unsent TO ${APP_ROLE};
`,
  down: `
DROP TABLE unsent;
ALTER TABLE shops DROP COLUMN currency;
ALTER TABLE people DROP COLUMN preferences;
`,
};
