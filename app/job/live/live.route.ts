import { data } from "react-router";
import { dayInZone } from "../../../core/kernel/days/index.ts";
import { dropLiveLog, keepLiveLog } from "../../../server/books/live/keep-live-log.ts";
import { liveOfJob } from "../../../server/books/live/live-of-job.ts";
import { startLiveLog } from "../../../server/books/live/start-live-log.ts";
import {
  askLiveCar,
  markLiveLog,
  stopLiveLog,
  unmarkLiveLog,
} from "../../../server/books/live/tell-live-log.ts";
import { Refusal } from "../../../server/desk/refusal.ts";
import { lastSeq } from "../../../server/entries/last-seq.ts";
import { checkForm } from "../../desk/forms.ts";
import { guarded } from "../../desk/guard.server.ts";
import { readJson } from "../../desk/read-body.server.ts";
import { AskForm, LIVE_FORMS, type LiveSent, MarkForm, StartForm, UnmarkForm } from "./live.form.ts";

/** The live logs of a job that are neither kept nor thrown away, and whether there is an adapter to record another by. */
export const loader = guarded("desk", async ({ params, desk }) =>
  data(await desk((given) => liveOfJob(given, params.jobId ?? ""))),
);

function sent(given: unknown): LiveSent {
  const what = (given as { what?: unknown } | null)?.what;
  const form =
    typeof what === "string" && Object.hasOwn(LIVE_FORMS, what)
      ? LIVE_FORMS[what as keyof typeof LIVE_FORMS]
      : undefined;
  if (!form) throw new Refusal({ message: "That can't be done to a live log." });
  const checked = checkForm<LiveSent>(form as new () => LiveSent, given);
  if (checked.fields)
    throw new Refusal({ message: Object.values(checked.fields).join(" "), fields: checked.fields });
  return checked.value;
}

export const action = guarded("technician", async ({ request, params, member, desk }) => {
  const form = sent(await readJson(request));
  const jobId = params.jobId ?? "";
  if (form instanceof StartForm) await desk((given) => startLiveLog(given, jobId, form));
  else if (form instanceof MarkForm) {
    const { logId, id, words, s } = form;
    await desk((given) =>
      markLiveLog(given, jobId, logId, { id, what: words, ...(s !== undefined && { s }) }),
    );
  } else if (form instanceof UnmarkForm)
    await desk((given) => unmarkLiveLog(given, jobId, form.logId, form.id));
  else if (form instanceof AskForm) await desk((given) => askLiveCar(given, jobId, form.logId, form));
  else if (form.what === "stop") await desk((given) => stopLiveLog(given, jobId, form.logId));
  else if (form.what === "drop") await desk((given) => dropLiveLog(given, jobId, form.logId));
  else await keepLiveLog(desk, jobId, form.logId, `live log ${dayInZone(new Date(), member.timeZone)}.csv`);
  return data({ done: true, lastSeq: await desk((given) => lastSeq(given, jobId)) });
});
