import { data } from "react-router";
import { lastSeq } from "../../../server/jobs/last-seq.ts";
import { bookPicture } from "../../../server/pictures/book-picture.ts";
import { notFound, Refusal } from "../../../server/refusal.ts";
import { checkForm } from "../../shell/forms.ts";
import { guarded } from "../../shell/guard.server.ts";
import { readForm } from "../../shell/read-body.server.ts";
import { PictureForm } from "./picture.form.ts";

export const loader = guarded("desk", async () => {
  throw notFound("A page at this address");
});

/** Takes a picture in: looked at by content, shrunk, cleaned of place and device, kept and booked. */
export const action = guarded("technician", async ({ request, params, desk }) => {
  const form = await readForm(request);
  const checked = checkForm(PictureForm, form);
  if (checked.fields) throw new Refusal({ message: "", fields: checked.fields });
  const file = form.get("picture");
  if (!(file instanceof File))
    throw new Refusal({ message: "", fields: { picture: "No picture came with it." } });
  const bytes = new Uint8Array(await file.arrayBuffer());
  const jobId = params.jobId ?? "";
  await bookPicture(desk, jobId, { ...checked.value, bytes });
  const last = await desk((given) => lastSeq(given, jobId));
  return data({ lastSeq: last, booked: [checked.value.id] });
});
