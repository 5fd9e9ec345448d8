import { data } from "react-router";
import { MOST_CHARACTERS } from "../../../core/trade/trace/index.ts";
import { bookLog } from "../../../server/books/logs/book-log.ts";
import { notFound, Refusal } from "../../../server/desk/refusal.ts";
import { lastSeq } from "../../../server/entries/last-seq.ts";
import { checkForm } from "../../desk/forms.ts";
import { guarded } from "../../desk/guard.server.ts";
import { withUpload } from "../../desk/read-upload.server.ts";
import { LogForm } from "./log.form.ts";

export const loader = guarded("desk", async () => {
  throw notFound("A page at this address");
});

const MEGA = 1e6;

/** Takes a log in: read and judged again here, kept whole, and booked. */
export const action = guarded("technician", ({ request, params, desk }) =>
  withUpload(request, { name: "log", mostBytes: MOST_CHARACTERS }, async ({ form, file }) => {
    const checked = checkForm(LogForm, form);
    if (checked.fields) throw new Refusal({ message: "", fields: checked.fields });
    if (!file) throw new Refusal({ message: "", fields: { log: "No log came with it." } });
    if (file.bytes > MOST_CHARACTERS)
      throw new Refusal({
        status: 413,
        message: `The log is larger than ${MOST_CHARACTERS / MEGA} MB, which is the most that can be read.`,
      });
    const jobId = params.jobId ?? "";
    await bookLog(desk, jobId, { ...checked.value, bytes: file });
    const last = await desk((given) => lastSeq(given, jobId));
    return data({ lastSeq: last, booked: [checked.value.id] });
  }),
);
