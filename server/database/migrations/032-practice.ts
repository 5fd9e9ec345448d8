import { APP_ROLE, type Migration } from "./migration.ts";

/** Rounds of practice on the bench that were played to their end: whose, what was hidden, what was done, what came of it. */
export const practice: Migration = {
  name: "032-practice",
  up: `
CREATE TABLE practice_rounds (
  shop_id uuid NOT NULL REFERENCES shops,
  id uuid NOT NULL,
  person_id uuid NOT NULL,
  at timestamptz NOT NULL,
  level integer NOT NULL CHECK (level BETWEEN 1 AND 9),
  car_key text NOT NULL CHECK (length(car_key) BETWEEN 1 AND 40),
  seed bigint NOT NULL CHECK (seed BETWEEN 0 AND 4294967295),
  acts jsonb NOT NULL CHECK (jsonb_typeof(acts) = 'array' AND length(acts::text) <= 20000),
  -- What follows from the above, so that a record of years needs nothing played again.
  faults text[] NOT NULL,
  ended text NOT NULL CHECK (ended IN ('found', 'handed-back', 'given-up')),
  is_right boolean NOT NULL,
  had_help boolean NOT NULL,
  wrong_repairs integer NOT NULL CHECK (wrong_repairs >= 0),
  cents integer NOT NULL CHECK (cents >= 0),
  -- Null where it could not be reckoned.
  planner_cents integer CHECK (planner_cents >= 0),
  has_boiled boolean NOT NULL,
  opened_hot integer NOT NULL CHECK (opened_hot >= 0),
  is_unlooked boolean NOT NULL,
  PRIMARY KEY (shop_id, id),
  FOREIGN KEY (shop_id, person_id) REFERENCES people (shop_id, id)
);
CREATE INDEX practice_rounds_person ON practice_rounds (shop_id, person_id, at DESC);
ALTER TABLE practice_rounds ENABLE ROW LEVEL SECURITY;
ALTER TABLE practice_rounds FORCE ROW LEVEL SECURITY;
CREATE POLICY own_rows ON practice_rounds USING (shop_id = shop_at_desk()) WITH CHECK (shop_id = shop_at_desk());
GRANT SELECT, INSERT ON practice_rounds TO ${APP_ROLE};
`,
  down: `
DROP TABLE practice_rounds;`,
};
