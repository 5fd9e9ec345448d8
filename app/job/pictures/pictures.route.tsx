import { data } from "react-router";
import { bookPicture } from "../../../server/books/pictures/book-picture.ts";
import { MOST_PICTURE_BYTES } from "../../../server/books/pictures/clean-picture.ts";
import { notFound, Refusal } from "../../../server/desk/refusal.ts";
import { lastSeq } from "../../../server/entries/last-seq.ts";
import { checkForm } from "../../desk/forms.ts";
import { guarded } from "../../desk/guard.server.ts";
import { withUpload } from "../../desk/read-upload.server.ts";
import { PictureForm } from "./picture.form.ts";

export const loader = guarded("desk", async () => {
  throw notFound("A page at this address");
});

/** Takes a picture in: looked at by content, shrunk, cleaned of place and device, kept and booked. */
export const action = guarded("technician", ({ request, params, desk }) =>
  withUpload(request, { name: "picture", mostBytes: MOST_PICTURE_BYTES }, async ({ form, file }) => {
    const checked = checkForm(PictureForm, form);
    if (checked.fields) throw new Refusal({ message: "", fields: checked.fields });
    if (!file) throw new Refusal({ message: "", fields: { picture: "No picture came with it." } });
    const jobId = params.jobId ?? "";
    await bookPicture(desk, jobId, { ...checked.value, bytes: file });
    const last = await desk((given) => lastSeq(given, jobId));
    return data({ lastSeq: last, booked: [checked.value.id] });
  }),
);
