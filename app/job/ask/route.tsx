import { useRef } from "react";
import { readRecent } from "../../../server/books/jobs/read-vehicles-jobs.ts";
import { guarded } from "../../desk/guard.server.ts";
import { useMember } from "../../desk/member.ts";
import { keptReading } from "../../kept/reading.ts";
import { staysOnItsJob } from "../../kept/stays-on-its-job.ts";
import { Comeback } from "../comeback/Comeback.tsx";
import { useJob } from "../stage/context.ts";
import { type StageRead, stage } from "../stage/stage.tsx";
import { Work } from "../stage/Work.tsx";
import { AskChips } from "./AskChips.tsx";
import { AskFields } from "./AskFields.tsx";
import { useHeard } from "./useHeard.ts";

export const loader = guarded("desk", async ({ params, desk }) => ({
  recent: await desk((given) => readRecent(given, params.jobId ?? "")),
}));

export const shouldRevalidate = staysOnItsJob("job/ask/route");

/** Without a server nobody knows of another job. */
export const clientLoader = keptReading<Awaited<ReturnType<typeof loader>>>("job/ask/route", async () => ({
  recent: null,
}));

function Ask({ read: { recent } }: StageRead<typeof loader>) {
  const { page, entries, system, book, maySay } = useJob();
  const { name } = useMember();
  const heard = useHeard(page.job.id, entries, system);
  const { answers, drafts, isDistanceWrong, clear } = heard;
  const part = useRef<HTMLDivElement>(null);
  const save = () => {
    if (isDistanceWrong) {
      part.current?.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus();
      return;
    }
    if (book(drafts)) clear();
  };
  const isAnswered = answers.complaint && answers.distance;
  // What was said is booked before anything else is offered: nobody leaves with it unbooked by the same button.
  const isSaid = maySay && (drafts.length > 0 || isDistanceWrong);
  return (
    <Work
      title="What does the owner say?"
      isDrawn={({ id }) => id.startsWith("ask:")}
      typed={isSaid ? { label: "Book it", onGo: save } : undefined}
      next={{ label: isAnswered ? "On to Find" : "On to Find anyway", to: "find" }}
    >
      {recent && <Comeback recent={recent} weighed={false} />}
      <p className="text-ink-2">
        Heard by {name}, now.{" "}
        {isAnswered && "What is booked stands in the book; writing here again corrects it."}
      </p>
      {/* biome-ignore lint/a11y/noStaticElementInteractions: Enter in a field of one line does what the large button does */}
      <div
        ref={part}
        className="flex flex-col gap-5"
        onKeyDown={(event) => {
          if (event.key !== "Enter" || event.repeat || event.nativeEvent.isComposing) return;
          if (!isSaid || !(event.target instanceof HTMLInputElement)) return;
          event.preventDefault();
          save();
        }}
      >
        <AskFields heard={heard} />
        <AskChips heard={heard} />
      </div>
    </Work>
  );
}

export default stage<typeof loader>(Ask);
