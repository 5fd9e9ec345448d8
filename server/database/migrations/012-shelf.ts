import { APP_ROLE, type Migration } from "./migration.ts";

const THIS_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

/** What the shop can buy: parts by grade and supplier, coolants by product. */
export const shelf: Migration = {
  name: "012-shelf",
  up: `
CREATE TABLE shelf (
  shop_id uuid NOT NULL REFERENCES shops,
  id uuid NOT NULL,
  kind text NOT NULL CHECK (kind IN ('part', 'coolant')),
  item text NOT NULL CHECK (length(item) BETWEEN 1 AND 80),
  -- A part's grade, a coolant's kind by its inhibitors.
  grade text NOT NULL CHECK (CASE kind WHEN 'part' THEN grade IN ('maker''s', 'pattern', 'all-metal', 'used')
    ELSE grade IN ('iat', 'oat', 'hoat', 'si-oat', 'p-oat') END),
  supplier text NOT NULL CHECK (length(supplier) BETWEEN 1 AND 80),
  price_cents integer NOT NULL CHECK (price_cents BETWEEN 1 AND 1000000000),
  freight_cents integer NOT NULL CHECK (freight_cents BETWEEN 0 AND 1000000000),
  days double precision NOT NULL CHECK (days BETWEEN 0 AND 365),
  part_days integer NOT NULL CHECK (part_days BETWEEN 0 AND 3650),
  labour_days integer NOT NULL CHECK (labour_days BETWEEN 0 AND 3650),
  changed_at timestamptz NOT NULL,
  changed_by uuid NOT NULL,
  PRIMARY KEY (shop_id, id),
  FOREIGN KEY (shop_id, changed_by) REFERENCES people (shop_id, id)
);
CREATE UNIQUE INDEX shelf_once ON shelf (shop_id, kind, lower(item), grade, lower(supplier));
ALTER TABLE shelf ENABLE ROW LEVEL SECURITY;
ALTER TABLE shelf FORCE ROW LEVEL SECURITY;
CREATE POLICY own_rows ON shelf USING (shop_id = ${THIS_SHOP}) WITH CHECK (shop_id = ${THIS_SHOP});
GRANT SELECT, INSERT, UPDATE, DELETE ON shelf TO ${APP_ROLE};
`,
  down: "DROP TABLE shelf;",
};
