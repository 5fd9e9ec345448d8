import { APP_ROLE, type Migration } from "./migration.ts";

const APPEND_ONLY = ["entries_append_only", "entries_tell"];

/**
 * Who asks and when it is, for everything that the database writes itself. Whoever signed in to the database as its owner
 * may tell another time (a made-up shop has a past): the application's role never can, whatever it sets.
 */
const who = `
CREATE FUNCTION asked_by_owner() RETURNS boolean LANGUAGE sql STABLE AS $$
  SELECT pg_has_role(session_user, relowner, 'MEMBER') FROM pg_class WHERE oid = 'public.entries'::regclass
$$;
CREATE FUNCTION person_at_desk() RETURNS uuid LANGUAGE sql STABLE AS $$
  SELECT nullif(current_setting('app.person_id', true), '')::uuid
$$;
CREATE FUNCTION shop_at_desk() RETURNS uuid LANGUAGE sql STABLE AS $$
  SELECT nullif(current_setting('app.shop_id', true), '')::uuid
$$;
-- Milliseconds, as everything that reads it back.
CREATE FUNCTION time_at_desk() RETURNS timestamptz LANGUAGE sql VOLATILE AS $$
  SELECT date_trunc('milliseconds', CASE
    WHEN nullif(current_setting('app.now', true), '') IS NOT NULL AND asked_by_owner()
      THEN current_setting('app.now')::timestamptz
    ELSE clock_timestamp() END)
$$;`;

/** What is hashed, field by field: docs/formats/book-chain.md; core/chain says the same, so that another program can check it. */
const chain = `
CREATE FUNCTION milliseconds(moment timestamptz) RETURNS bigint LANGUAGE sql IMMUTABLE AS $$
  SELECT floor(extract(epoch FROM moment) * 1000)::bigint
$$;
CREATE FUNCTION hash_of_heading(job jobs) RETURNS bytea LANGUAGE sql IMMUTABLE AS $$
  SELECT sha256(convert_to(jsonb_build_array(
    job.id, job.number, job.vehicle_id, job.opened_by, milliseconds(job.opened_at), job.lines_read_in, job.origin
  )::text, 'UTF8'))
$$;
CREATE FUNCTION hash_of_entry(before bytea, entry entries) RETURNS bytea LANGUAGE sql IMMUTABLE AS $$
  SELECT sha256(convert_to(jsonb_build_array(
    encode(before, 'hex'), entry.id, entry.seq, milliseconds(entry.at), entry.by, entry.stage, entry.kind, entry.account,
    entry.item, entry.place, entry."out", entry."in", entry.unit, entry.value, entry.text, entry.data, entry.corrects,
    milliseconds(entry.booked_at)
  )::text, 'UTF8'))
$$;`;

const columns = `
ALTER TABLE jobs
  ADD COLUMN lines_read_in integer CHECK (lines_read_in >= 0),
  ADD COLUMN last_hash bytea CHECK (octet_length(last_hash) = 32);
ALTER TABLE entries ADD COLUMN hash bytea CHECK (octet_length(hash) = 32);`;

const THIS_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";
const forced = (how: "NO FORCE" | "FORCE") =>
  ["entries", "jobs"].map((table) => `ALTER TABLE ${table} ${how} ROW LEVEL SECURITY;`).join("\n");

/** The books that are there already are chained as they stand today. */
const already = `
${forced("NO FORCE")}
${APPEND_ONLY.map((trigger) => `ALTER TABLE entries DISABLE TRIGGER ${trigger};`).join("\n")}
UPDATE jobs SET lines_read_in = (
  SELECT count(*) FROM entries e WHERE e.shop_id = jobs.shop_id AND e.job_id = jobs.id
     AND e.booked_at = (SELECT min(booked_at) FROM entries f WHERE f.shop_id = jobs.shop_id AND f.job_id = jobs.id)
) WHERE origin IS NOT NULL;
DO $$
DECLARE job jobs; entry entries; before bytea;
BEGIN
  FOR job IN SELECT * FROM jobs LOOP
    before := hash_of_heading(job);
    FOR entry IN SELECT * FROM entries e WHERE e.shop_id = job.shop_id AND e.job_id = job.id ORDER BY seq LOOP
      before := hash_of_entry(before, entry);
      UPDATE entries SET hash = before WHERE shop_id = entry.shop_id AND id = entry.id;
      UPDATE jobs SET last_hash = before, last_seq = entry.seq
       WHERE shop_id = job.shop_id AND id = job.id AND entry.seq = (SELECT max(seq) FROM entries e WHERE e.shop_id = job.shop_id AND e.job_id = job.id);
    END LOOP;
  END LOOP;
END $$;
${APPEND_ONLY.map((trigger) => `ALTER TABLE entries ENABLE TRIGGER ${trigger};`).join("\n")}
${forced("FORCE")}
ALTER TABLE entries ALTER COLUMN hash SET NOT NULL;
ALTER TABLE jobs ADD CHECK ((origin IS NULL) = (lines_read_in IS NULL));`;

/** A signed job's new lines are corrections; where its book stands is nobody's to say but the book's. */
const written = `
CREATE FUNCTION chain_entry() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE job jobs; before bytea; moment timestamptz;
BEGIN
  SELECT * INTO job FROM jobs WHERE shop_id = NEW.shop_id AND id = NEW.job_id FOR UPDATE;
  IF job.id IS NULL THEN
    RAISE EXCEPTION 'there is no such job' USING ERRCODE = 'foreign_key_violation';
  END IF;
  SELECT seq + 1, hash INTO NEW.seq, before FROM entries e
   WHERE e.shop_id = NEW.shop_id AND e.job_id = NEW.job_id ORDER BY seq DESC LIMIT 1;
  IF before IS NULL THEN
    NEW.seq := 1;
    before := hash_of_heading(job);
  END IF;
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
  NEW.hash := hash_of_entry(before, NEW);
  RETURN NEW;
END $$;
CREATE FUNCTION move_book_end() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  UPDATE jobs SET last_seq = ends.seq, last_hash = ends.hash
    FROM (SELECT DISTINCT ON (shop_id, job_id) shop_id, job_id, seq, hash FROM added ORDER BY shop_id, job_id, seq DESC) ends
   WHERE jobs.shop_id = ends.shop_id AND jobs.id = ends.job_id;
  RETURN NULL;
END $$;
CREATE TRIGGER entries_chain BEFORE INSERT ON entries FOR EACH ROW EXECUTE FUNCTION chain_entry();
CREATE TRIGGER entries_end AFTER INSERT ON entries
  REFERENCING NEW TABLE AS added FOR EACH STATEMENT EXECUTE FUNCTION move_book_end();`;

/** A job is opened and signed by who is at the desk, at that moment; one that is read in says where it came from instead. */
const jobs = `
CREATE FUNCTION head_job() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  NEW.last_seq := 0;
  NEW.last_hash := NULL;
  NEW.opened_at := date_trunc('milliseconds', NEW.opened_at);
  IF asked_by_owner() AND nullif(current_setting('app.now', true), '') IS NULL THEN RETURN NEW; END IF;
  IF NEW.origin IS NULL THEN
    IF NEW.signed_at IS NOT NULL OR person_at_desk() IS NULL THEN
      RAISE EXCEPTION 'a job is opened by somebody, then signed' USING ERRCODE = 'restrict_violation';
    END IF;
    NEW.opened_at := time_at_desk();
    NEW.opened_by := person_at_desk();
  ELSIF NEW.opened_at > time_at_desk() + interval '5 minutes' THEN
    RAISE EXCEPTION 'a job is opened before it is written down' USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN NEW;
END $$;
CREATE TRIGGER jobs_headed BEFORE INSERT ON jobs FOR EACH ROW EXECUTE FUNCTION head_job();
CREATE FUNCTION sign_by_desk() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  IF NEW.origin IS NULL AND NOT (asked_by_owner() AND nullif(current_setting('app.now', true), '') IS NULL) THEN
    IF person_at_desk() IS NULL THEN
      RAISE EXCEPTION 'a job is signed by somebody' USING ERRCODE = 'restrict_violation';
    END IF;
    -- A clock that was set back since, or another machine's, keeps nobody from signing.
    NEW.signed_at := greatest(time_at_desk(), NEW.opened_at);
    NEW.signed_by := person_at_desk();
  END IF;
  IF NEW.origin IS NOT NULL AND (NEW.signed_at < NEW.opened_at OR NEW.signed_at > time_at_desk() + interval '5 minutes') THEN
    RAISE EXCEPTION 'a job is signed after its opening, and not in the future' USING ERRCODE = 'check_violation';
  END IF;
  RETURN NEW;
END $$;
CREATE TRIGGER jobs_signed BEFORE UPDATE ON jobs FOR EACH ROW
  WHEN (OLD.signed_at IS NULL AND NEW.signed_at IS NOT NULL) EXECUTE FUNCTION sign_by_desk();
REVOKE UPDATE ON jobs FROM ${APP_ROLE};
GRANT UPDATE (assigned_to, bay, signed_at, signed_by, sign_reason, counted_circuit, counted_hypothesis) ON jobs TO ${APP_ROLE};`;

/** Each time that the books were read through, and what came of it. */
const verified = `
CREATE TABLE verifications (
  shop_id uuid NOT NULL REFERENCES shops,
  id bigint GENERATED ALWAYS AS IDENTITY,
  at timestamptz NOT NULL DEFAULT now(),
  jobs integer NOT NULL CHECK (jobs >= 0),
  lines integer NOT NULL CHECK (lines >= 0),
  broken jsonb NOT NULL CHECK (jsonb_typeof(broken) = 'array'),
  PRIMARY KEY (shop_id, id)
);
ALTER TABLE verifications ENABLE ROW LEVEL SECURITY;
ALTER TABLE verifications FORCE ROW LEVEL SECURITY;
CREATE POLICY own_rows ON verifications USING (shop_id = ${THIS_SHOP}) WITH CHECK (shop_id = ${THIS_SHOP});
GRANT SELECT, INSERT ON verifications TO ${APP_ROLE};`;

/**
 * A book proves itself: each line carries a hash over what it says and over the line before it, made by the database with
 * the line's number, hand and time, which nobody else can set.
 */
export const bookChain: Migration = {
  name: "022-chain",
  up: [columns, who, chain, already, written, jobs, verified].join("\n"),
  down: `
DROP TRIGGER entries_end ON entries;
DROP TRIGGER entries_chain ON entries;
DROP TRIGGER jobs_headed ON jobs;
DROP TRIGGER jobs_signed ON jobs;
DROP FUNCTION move_book_end, chain_entry, head_job, sign_by_desk, hash_of_entry, hash_of_heading, milliseconds,
  time_at_desk, person_at_desk, shop_at_desk, asked_by_owner;
DROP TABLE verifications;
ALTER TABLE entries DROP COLUMN hash;
ALTER TABLE jobs DROP COLUMN lines_read_in, DROP COLUMN last_hash;
GRANT UPDATE ON jobs TO ${APP_ROLE};
`,
};
