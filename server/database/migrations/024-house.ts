import { APP_ROLE, type Migration } from "./migration.ts";

/** So long it is told who signed in, and what came of reading the books through. */
const KEPT = "400 days";

/**
 * What is over is taken away by rule, shop by shop: sessions, invitations, what a server that is gone had under way. Of what was
 * written down only signing in is, after more than a year; roles, secrets, signatures and books stay.
 */
export const house: Migration = {
  name: "024-house",
  up: `
CREATE FUNCTION refuse_audit_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'DELETE' AND OLD.what = 'signed in' AND OLD.at < now() - interval '${KEPT}' THEN RETURN OLD; END IF;
  RAISE EXCEPTION '% is append-only: book a correction instead', TG_TABLE_NAME USING ERRCODE = 'restrict_violation';
END $$;
DROP TRIGGER audit_append_only ON audit;
CREATE TRIGGER audit_append_only BEFORE UPDATE OR DELETE ON audit FOR EACH ROW EXECUTE FUNCTION refuse_audit_change();
CREATE INDEX audit_old_signings ON audit (shop_id, at) WHERE what = 'signed in';
CREATE FUNCTION keep_house() RETURNS integer LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE gone integer; all_gone integer := 0;
BEGIN
  DELETE FROM sessions WHERE shop_id = shop_at_desk() AND expires_at < now();
  GET DIAGNOSTICS gone = ROW_COUNT; all_gone := all_gone + gone;
  DELETE FROM invitations WHERE shop_id = shop_at_desk() AND expires_at < now();
  GET DIAGNOSTICS gone = ROW_COUNT; all_gone := all_gone + gone;
  DELETE FROM under_way WHERE shop_id = shop_at_desk() AND began_at < now() - interval '1 day';
  GET DIAGNOSTICS gone = ROW_COUNT; all_gone := all_gone + gone;
  DELETE FROM audit WHERE shop_id = shop_at_desk() AND what = 'signed in' AND at < now() - interval '${KEPT}';
  GET DIAGNOSTICS gone = ROW_COUNT; all_gone := all_gone + gone;
  DELETE FROM verifications v WHERE shop_id = shop_at_desk() AND at < now() - interval '${KEPT}'
     AND id < (SELECT max(id) FROM verifications w WHERE w.shop_id = v.shop_id);
  GET DIAGNOSTICS gone = ROW_COUNT; all_gone := all_gone + gone;
  RETURN all_gone;
END $$;
REVOKE ALL ON FUNCTION keep_house FROM PUBLIC;
GRANT EXECUTE ON FUNCTION keep_house TO ${APP_ROLE};
`,
  down: `
DROP FUNCTION keep_house;
DROP INDEX audit_old_signings;
DROP TRIGGER audit_append_only ON audit;
CREATE TRIGGER audit_append_only BEFORE UPDATE OR DELETE ON audit FOR EACH ROW EXECUTE FUNCTION refuse_change();
DROP FUNCTION refuse_audit_change;
`,
};
