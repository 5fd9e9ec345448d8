import { readRecent } from "../../../server/books/jobs/read-vehicles-jobs.ts";
import { guarded } from "../../desk/guard.server.ts";
import { useMember } from "../../desk/member.ts";
import { keptReading } from "../../kept/reading.ts";
import { staysOnItsJob } from "../../kept/stays-on-its-job.ts";
import { Button } from "../../ui/Button.tsx";
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
  const save = () => {
    book(drafts);
    clear();
  };
  const isAnswered = answers.complaint && answers.distance;
  return (
    <Work
      title="What does the owner say?"
      isDrawn={({ id }) => id.startsWith("ask:")}
      act={
        maySay && (
          <Button onClick={save} disabled={drafts.length === 0 || isDistanceWrong}>
            Book it
          </Button>
        )
      }
      next={{ label: isAnswered ? "On to Find" : "On to Find anyway", to: "find" }}
    >
      {recent && <Comeback recent={recent} weighed={false} />}
      <p className="text-ink-2">
        Heard by {name}, now.{" "}
        {isAnswered && "What is booked stands in the book; writing here again corrects it."}
      </p>
      <AskFields heard={heard} />
      <AskChips heard={heard} />
    </Work>
  );
}

export default stage<typeof loader>(Ask);
