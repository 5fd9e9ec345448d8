import { APP_ROLE, type Migration } from "./migration.ts";

/**
 * Who may do what in a shop, and what they sign in by, changes by three functions alone, each of which looks who asks and
 * writes down that it was done: a statement that slipped past the use-cases makes nobody a lead.
 */
export const peopleByFunction: Migration = {
  name: "023-people-by-function",
  up: `
CREATE FUNCTION desk_is_lead() RETURNS boolean LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT EXISTS (SELECT 1 FROM people WHERE shop_id = shop_at_desk() AND id = person_at_desk() AND role = 'lead' AND is_active)
$$;
CREATE FUNCTION note_person(what text, about jsonb) RETURNS void LANGUAGE sql SECURITY DEFINER SET search_path = public, pg_temp AS $$
  INSERT INTO audit (shop_id, person_id, what, at, about) VALUES (shop_at_desk(), person_at_desk(), what, time_at_desk(), about)
$$;
REVOKE ALL ON FUNCTION note_person FROM PUBLIC;
-- A lead adds people; the first of a shop is its lead; whoever stands in a job that is read in never signs in.
CREATE FUNCTION add_person(new_id uuid, new_name text, new_role text, pin text, password text, active boolean)
RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  IF active AND NOT desk_is_lead() AND (new_role <> 'lead' OR EXISTS (SELECT 1 FROM people WHERE shop_id = shop_at_desk() AND is_active)) THEN
    RAISE EXCEPTION 'only a lead adds people' USING ERRCODE = 'insufficient_privilege';
  END IF;
  IF NOT active AND person_at_desk() IS NULL THEN
    RAISE EXCEPTION 'nobody is at the desk' USING ERRCODE = 'insufficient_privilege';
  END IF;
  INSERT INTO people (shop_id, id, name, role, pin_hash, password_hash, is_active)
  VALUES (shop_at_desk(), new_id, new_name, new_role, pin, password, active);
  PERFORM note_person(CASE WHEN active THEN 'person added' ELSE 'person named in a file' END,
    jsonb_build_object('id', new_id, 'role', new_role));
END $$;
CREATE FUNCTION change_standing(of_id uuid, new_role text, active boolean)
RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE before people;
BEGIN
  IF NOT desk_is_lead() THEN
    RAISE EXCEPTION 'only a lead changes what somebody does' USING ERRCODE = 'insufficient_privilege';
  END IF;
  SELECT * INTO before FROM people WHERE shop_id = shop_at_desk() AND id = of_id FOR UPDATE;
  UPDATE people SET role = new_role, is_active = active WHERE shop_id = shop_at_desk() AND id = of_id;
  IF NOT EXISTS (SELECT 1 FROM people WHERE shop_id = shop_at_desk() AND role = 'lead' AND is_active) THEN
    RAISE EXCEPTION 'a shop has a lead' USING ERRCODE = 'restrict_violation';
  END IF;
  IF before.role <> new_role THEN
    PERFORM note_person('role changed', jsonb_build_object('id', of_id, 'from', before.role, 'to', new_role));
  END IF;
  IF before.is_active <> active THEN
    PERFORM note_person(CASE WHEN active THEN 'person back' ELSE 'person left' END, jsonb_build_object('id', of_id));
  END IF;
END $$;
-- Null leaves a secret as it is.
CREATE FUNCTION give_secret(of_id uuid, pin text, password text)
RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  IF NOT desk_is_lead() AND person_at_desk() IS DISTINCT FROM of_id THEN
    RAISE EXCEPTION 'a secret is changed by whose it is, or by a lead' USING ERRCODE = 'insufficient_privilege';
  END IF;
  UPDATE people SET pin_hash = coalesce(pin, pin_hash), password_hash = coalesce(password, password_hash)
   WHERE shop_id = shop_at_desk() AND id = of_id;
  IF pin IS NOT NULL THEN PERFORM note_person('new PIN', jsonb_build_object('id', of_id)); END IF;
  IF password IS NOT NULL THEN PERFORM note_person('new password', jsonb_build_object('id', of_id)); END IF;
END $$;
REVOKE INSERT, UPDATE ON people FROM ${APP_ROLE};
GRANT UPDATE (name, preferences) ON people TO ${APP_ROLE};
`,
  down: `
DROP FUNCTION give_secret, change_standing, add_person, note_person, desk_is_lead;
GRANT INSERT, UPDATE ON people TO ${APP_ROLE};
`,
};
