import { data } from "react-router";
import { Refusal } from "../../server/desk/refusal.ts";
import { listUnsent, tellUnsent } from "../../server/subjects/shops/tell-unsent.ts";
import { deviceCookie, readCookie } from "../desk/cookies.server.ts";
import { checkForm } from "../desk/forms.ts";
import { guarded } from "../desk/guard.server.ts";
import { readJson } from "../desk/read-body.server.ts";
import { UnsentForm } from "./unsent.form.ts";

export const loader = guarded("desk", async ({ desk }) => data({ unsent: await desk(listUnsent) }));

/** A browser tells how many entries wait in it, for others to see on Shop. */
export const action = guarded("desk", async ({ request, desk }) => {
  const checked = checkForm(UnsentForm, await readJson(request));
  if (checked.fields) throw new Refusal({ message: "", fields: checked.fields });
  const device = await readCookie(deviceCookie, request);
  await desk((given) => tellUnsent(given, { ...checked.value, ...(device ? { device } : {}) }));
  return data({ told: checked.value.entries });
});
