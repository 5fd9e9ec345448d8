import { APP_ROLE, type Migration } from "./migration.ts";

const THIS_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";
const READ_AND_WRITTEN = ["entries", "jobs", "cooling_cards"];
const forced = (how: "NO FORCE" | "FORCE") =>
  READ_AND_WRITTEN.map((table) => `ALTER TABLE ${table} ${how} ROW LEVEL SECURITY;`).join("\n");

/** How often each verdict was confirmed on each kind of circuit, counted when a job is signed instead of when Find asks. */
export const verdictCounts: Migration = {
  name: "006-verdict-counts",
  up: `
CREATE TABLE verdict_counts (
  shop_id uuid NOT NULL REFERENCES shops,
  circuit text NOT NULL CHECK (length(circuit) BETWEEN 1 AND 40),
  hypothesis text NOT NULL CHECK (length(hypothesis) BETWEEN 1 AND 60),
  jobs integer NOT NULL CHECK (jobs >= 0),
  PRIMARY KEY (shop_id, circuit, hypothesis)
);
ALTER TABLE verdict_counts ENABLE ROW LEVEL SECURITY;
ALTER TABLE verdict_counts FORCE ROW LEVEL SECURITY;
CREATE POLICY own_rows ON verdict_counts USING (shop_id = ${THIS_SHOP}) WITH CHECK (shop_id = ${THIS_SHOP});
GRANT SELECT, INSERT, UPDATE ON verdict_counts TO ${APP_ROLE};
-- What a signed job was counted as, so that a correction after signing moves the count.
ALTER TABLE jobs ADD COLUMN counted_circuit text, ADD COLUMN counted_hypothesis text;
${forced("NO FORCE")}
ALTER TABLE verdict_counts NO FORCE ROW LEVEL SECURITY;
UPDATE jobs SET counted_circuit = verdicts.circuit, counted_hypothesis = verdicts.hypothesis
  FROM (
    SELECT DISTINCT ON (entries.shop_id, entries.job_id) entries.shop_id, entries.job_id, cooling_cards.circuit,
           entries.data->>'hypothesis' AS hypothesis
      FROM entries
      JOIN jobs ON jobs.shop_id = entries.shop_id AND jobs.id = entries.job_id
      JOIN cooling_cards ON cooling_cards.shop_id = jobs.shop_id AND cooling_cards.vehicle_id = jobs.vehicle_id
     WHERE jobs.signed_at IS NOT NULL AND cooling_cards.circuit IS NOT NULL AND entries.fact = 'finding'
       AND entries.data->>'hypothesis' IS NOT NULL
       AND NOT EXISTS (
         SELECT 1 FROM entries later WHERE later.shop_id = entries.shop_id AND later.corrects = entries.id
       )
     ORDER BY entries.shop_id, entries.job_id, entries.seq DESC
  ) verdicts
 WHERE jobs.shop_id = verdicts.shop_id AND jobs.id = verdicts.job_id;
INSERT INTO verdict_counts (shop_id, circuit, hypothesis, jobs)
  SELECT shop_id, counted_circuit, counted_hypothesis, count(*) FROM jobs
   WHERE counted_hypothesis IS NOT NULL GROUP BY 1, 2, 3;
ALTER TABLE verdict_counts FORCE ROW LEVEL SECURITY;
${forced("FORCE")}
`,
  down: `
ALTER TABLE jobs DROP COLUMN counted_circuit, DROP COLUMN counted_hypothesis;
DROP TABLE verdict_counts;
`,
};
