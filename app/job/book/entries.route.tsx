import { data } from "react-router";
import { type NewEntry, recordEntries } from "../../../server/jobs/record-entries.ts";
import { notFound, Refusal } from "../../../server/refusal.ts";
import { checkForm } from "../../shell/forms.ts";
import { guarded } from "../../shell/guard.server.ts";
import { EntriesForm, entryTrouble } from "./entry.form.ts";

export const loader = guarded("desk", async () => {
  throw notFound("A page at this address");
});

async function readJson(request: Request): Promise<unknown> {
  try {
    return await request.json();
  } catch {
    throw new Refusal({ status: 400, message: "What was sent can't be read." });
  }
}

/** Books entries, each once however often it is sent. */
export const action = guarded("technician", async ({ request, params, desk }) => {
  const checked = checkForm(EntriesForm, await readJson(request));
  if (checked.fields) throw new Refusal({ message: "", fields: checked.fields });
  const { entries } = checked.value;
  for (const entry of entries) {
    const trouble = entryTrouble(entry);
    if (trouble) throw new Refusal({ message: trouble });
  }
  const plain = JSON.parse(JSON.stringify(entries)) as NewEntry[];
  return data(await desk((given) => recordEntries(given, params.jobId ?? "", plain)));
});
