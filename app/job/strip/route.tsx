import { useMemo } from "react";
import type { LearnedOut } from "../../../core/stages/earlier-jobs/index.ts";
import { partsGate, workOrderOf } from "../../../core/stages/plan/index.ts";
import { readLastOnModel } from "../../../server/books/jobs/read-last-on-model.ts";
import { guarded } from "../../desk/guard.server.ts";
import { keptReading } from "../../kept/reading.ts";
import { staysOnItsJob } from "../../kept/stays-on-its-job.ts";
import { later } from "../../ui/later.ts";
import { useJob } from "../stage/context.ts";
import { DrainWays } from "../stage/DrainWays.tsx";
import { LastTime } from "../stage/LastTime.tsx";
import { type StageRead, stage } from "../stage/stage.tsx";
import type { Tool } from "../stage/ToolTabs.tsx";
import { Tray } from "../stage/Tray.tsx";
import { Work } from "../stage/Work.tsx";
import { Off } from "./Off.tsx";
import { PartsGate } from "./PartsGate.tsx";
import { StepInHand } from "./StepInHand.tsx";

const stripTools = later(() => import("./StripTools.tsx"));

export const loader = guarded("desk", async ({ params, desk }) => ({
  last: await desk((given) => readLastOnModel(given, params.jobId ?? "")),
}));

export const shouldRevalidate = staysOnItsJob("job/strip/route");

/** Without a server the pads offer the usual. */
export const clientLoader = keptReading<Awaited<ReturnType<typeof loader>>>("job/strip/route", async () => ({
  last: null,
}));

const NO_OUTS: readonly LearnedOut[] = [];

/** The step in hand is drawn by Strip itself: it asks what came out with it, and shows the clocks beside it. */
const isStep = ({ id }: { id: string }) => id === "cap" || id.startsWith("strip:step:");
const TO_STEP = {
  label: "To the step in hand",
  onGo: () => document.querySelector<HTMLElement>("#step")?.focus(),
};

/** Taking off: by tapping what usually comes off, by the bag, or through the entry line. */
function Strip({ read: { last } }: StageRead<typeof loader>) {
  const { page, entries } = useJob();
  const StripTools = stripTools.use()?.StripTools;
  const gate = partsGate(entries);
  const work = useMemo(() => workOrderOf(entries), [entries]);
  const taps = <Off key="off" work={work} outs={last?.outs ?? NO_OUTS} />;
  const off: Tool[] = [
    ["off", "Off", taps],
    ["bench", "Bench", <Tray key="bench" entries={entries} />],
    ...(page.card ? [["drain", "Drain", <DrainWays key="drain" />] as Tool] : []),
    ...(last ? [["last", "Last time", <LastTime key="last" last={last} />] as Tool] : []),
  ];
  return (
    <Work
      title="What came off?"
      next={{ label: "On to Build", to: "build" }}
      toDrawn={TO_STEP}
      isDrawn={work?.ready.length ? isStep : undefined}
    >
      {!gate.isOpen && <PartsGate gate={gate} />}
      {gate.waitsFor.length > 0 && gate.because && (
        <p className="border-ink border-l-4 pl-3">
          Opened without {gate.waitsFor.map(({ words }) => words).join(", ")}: {gate.because}.
        </p>
      )}
      {gate.isOpen && work && <StepInHand work={work} last={last?.outs ?? NO_OUTS} />}
      {!gate.isOpen ? (
        <Tray entries={entries} />
      ) : StripTools ? (
        <StripTools key={page.job.id} off={off} />
      ) : (
        <div className="pt-16">{taps}</div>
      )}
    </Work>
  );
}

export default stage<typeof loader>(Strip);
