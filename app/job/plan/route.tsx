import { useMemo } from "react";
import { needsNoParts } from "../../../core/book/acts/index.ts";
import { factOf, lastFact, NoParts } from "../../../core/book/facts/index.ts";
import { partsState } from "../../../core/book/parts/index.ts";
import { offersFor } from "../../../core/stages/plan/index.ts";
import { readLastOnModel } from "../../../server/books/jobs/read-last-on-model.ts";
import { readLives } from "../../../server/books/jobs/read-lives.ts";
import { readPartsOnShelf } from "../../../server/subjects/shelf/read-shelf.ts";
import { readMeasured } from "../../../server/subjects/vehicles/read-measured.ts";
import { guarded } from "../../desk/guard.server.ts";
import { keptReading } from "../../kept/reading.ts";
import { Button } from "../../ui/Button.tsx";
import { later } from "../../ui/later.ts";
import { Cautions } from "../stage/Cautions.tsx";
import { useJob } from "../stage/context.ts";
import { type StageRead, stage } from "../stage/stage.tsx";
import { sayTick } from "../stage/tick-id.ts";
import { Work } from "../stage/Work.tsx";
import { ChoosePart } from "./ChoosePart.tsx";
import { ChosenParts } from "./ChosenParts.tsx";

const planTools = later(() => import("./PlanTools.tsx"));

export const loader = guarded("desk", async ({ params, desk }) => ({
  ...(await desk(async (given) => ({
    lives: await readLives(given, params.jobId ?? ""),
    last: await readLastOnModel(given, params.jobId ?? ""),
    shelf: await readPartsOnShelf(given),
    measured: (await readMeasured(given, params.jobId ?? "")).unit,
  }))),
}));

/** What was fitted before is worth a question, not a page: without a server the rest of Plan goes on. */
export const clientLoader = keptReading<Awaited<ReturnType<typeof loader>>>("job/plan/route", async () => ({
  lives: [],
  last: null,
  measured: null,
  shelf: [],
}));

const CAUTIONS = [
  "Don't open the car before the part is in hand and out of its box: dents, bent pegs, wrong year.",
];

/** Parts with grade and supplier, weighed and measured before they are bought, looked at before the car is opened. */
function Plan({ read }: StageRead<typeof loader>) {
  const { entries, page, book, mayBook } = useJob();
  const { lives, last, measured, shelf } = read;
  const PlanTools = planTools.use()?.PlanTools;
  const parts = partsState(entries);
  const none = lastFact(entries, NoParts)?.entry;
  const known = useMemo(
    () => ({ offers: offersFor(entries, shelf), ...(last && { features: last.features }) }),
    [entries, shelf, last],
  );
  const isChosen = parts.length > 0;
  const choose = <ChoosePart key="another" shelf={shelf} />;
  const chosen = (
    <div key="parts" className="flex flex-col gap-5">
      <Cautions texts={CAUTIONS} />
      <ChosenParts parts={parts} none={none} />
      {!isChosen && choose}
    </div>
  );
  return (
    <Work
      title="What goes in, and is it here?"
      next={{ label: "On to Strip", to: "strip" }}
      known={known}
      act={
        parts.length === 0 &&
        !none && (
          <Button
            disabled={!mayBook}
            onClick={() =>
              book(needsNoParts(), [
                sayTick(page.job.id, entries, "no parts", (entry) => factOf(entry)?.fact instanceof NoParts),
              ])
            }
          >
            No parts needed
          </Button>
        )
      }
    >
      {PlanTools ? (
        <PlanTools
          key={page.job.id}
          parts={chosen}
          another={isChosen ? choose : undefined}
          lives={lives}
          last={last}
          measured={measured}
          shelf={shelf}
        />
      ) : (
        <div className="pt-16">{chosen}</div>
      )}
    </Work>
  );
}

export default stage<typeof loader>(Plan);
