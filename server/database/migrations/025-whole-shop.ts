import type { Migration } from "./migration.ts";

/** What the database says of a line that somebody books, as before. */
const booked = `
  moment := time_at_desk();
  NEW.booked_at := moment;
  NEW.at := date_trunc('milliseconds', NEW.at);
  IF NEW.seq > coalesce(job.lines_read_in, 0) THEN
    IF person_at_desk() IS NOT NULL THEN NEW.by := person_at_desk();
    ELSIF NOT asked_by_owner() THEN
      RAISE EXCEPTION 'nobody is at the desk' USING ERRCODE = 'restrict_violation';
    END IF;
    -- A clock that runs ahead is set back; what a browser kept for a week without a server is taken as it was typed.
    NEW.at := least(NEW.at, moment);
    IF NEW.at < moment - interval '8 days' AND NOT asked_by_owner() THEN
      RAISE EXCEPTION 'a line is written when it is typed, not into the past' USING ERRCODE = 'restrict_violation';
    END IF;
  END IF;
  NEW.hash := hash_of_entry(before, NEW);`;

const chainEntry = (keptAsItWas: string) => `
CREATE OR REPLACE FUNCTION chain_entry() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE job jobs; before bytea; moment timestamptz; given entries;
BEGIN
  given := NEW;
  SELECT * INTO job FROM jobs WHERE shop_id = NEW.shop_id AND id = NEW.job_id FOR UPDATE;
  IF job.id IS NULL THEN
    RAISE EXCEPTION 'there is no such job' USING ERRCODE = 'foreign_key_violation';
  END IF;
  SELECT seq + 1, hash INTO NEW.seq, before FROM entries e
   WHERE e.shop_id = NEW.shop_id AND e.job_id = NEW.job_id ORDER BY seq DESC LIMIT 1;
  IF before IS NULL THEN
    NEW.seq := 1;
    before := hash_of_heading(job);
  END IF;${keptAsItWas}${booked}
  RETURN NEW;
END $$;`;

/** The owner alone can have a line kept as it is given, and only one that its own hash bears out. */
const kept = `
  IF current_setting('app.keeps', true) = 'on' AND asked_by_owner() THEN
    IF given.seq <> NEW.seq OR given.hash IS DISTINCT FROM hash_of_entry(before, given) THEN
      RAISE EXCEPTION 'line % of job % is not what its hash says', given.seq, job.number USING ERRCODE = 'check_violation';
    END IF;
    RETURN given;
  END IF;`;

/** A whole shop moves to another server with every line's number, hand, time and hash as they were. */
export const wholeShop: Migration = {
  name: "025-whole-shop",
  up: chainEntry(kept),
  down: chainEntry("").replace("; given entries;", ";").replace("  given := NEW;\n", ""),
};
