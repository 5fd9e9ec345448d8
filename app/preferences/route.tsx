import { data, redirect } from "react-router";
import { Refusal } from "../../server/desk/refusal.ts";
import { changePreferences } from "../../server/subjects/people/change-preferences.ts";
import { preferenceCookie } from "../desk/cookies.server.ts";
import { checkForm } from "../desk/forms.ts";
import { guarded } from "../desk/guard.server.ts";
import { readForm } from "../desk/read-body.server.ts";
import { keptPosting } from "../kept/posting.ts";
import { PreferencesForm } from "./preferences.form.ts";

export const loader = guarded("desk", async () => redirect("/"));

export const clientAction = keptPosting();

/** A bay is dark for whoever stands in it, so the theme is the browser's; units and keys go with the person. */
export const action = guarded("desk", async ({ request, desk }) => {
  const checked = checkForm(PreferencesForm, await readForm(request));
  if (checked.fields) throw new Refusal({ message: "", fields: checked.fields });
  const { theme, ...ofPerson } = checked.value;
  if (Object.keys(ofPerson).length > 0) await desk((given) => changePreferences(given, ofPerson));
  const headers = theme ? { "Set-Cookie": await preferenceCookie.serialize({ theme }) } : undefined;
  return data({ kept: true }, { headers });
});
