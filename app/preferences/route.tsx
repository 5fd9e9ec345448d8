import { data, redirect } from "react-router";
import { Refusal } from "../../server/refusal.ts";
import { preferenceCookie, readPreferences } from "../shell/cookies.server.ts";
import { checkForm } from "../shell/forms.ts";
import { openToAll } from "../shell/guard.server.ts";
import { readForm } from "../shell/read-body.server.ts";
import { PreferencesForm } from "./preferences.form.ts";

export const loader = openToAll(async () => redirect("/"));

export const action = openToAll(async ({ request }) => {
  const checked = checkForm(PreferencesForm, await readForm(request));
  if (checked.fields) throw new Refusal({ message: "", fields: checked.fields });
  const kept = { ...(await readPreferences(request)), ...checked.value };
  return data({ kept: true }, { headers: { "Set-Cookie": await preferenceCookie.serialize(kept) } });
});
