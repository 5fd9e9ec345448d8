import { useMemo } from "react";
import { useSearchParams } from "react-router";
import { factsOf, StepBack } from "../../../core/book/facts/index.ts";
import { stillOut, tasksOf } from "../../../core/book/out/index.ts";
import { apartList } from "../../../core/stages/apart/index.ts";
import { backList, buildOrder } from "../../../core/stages/build/index.ts";
import { openItems } from "../../../core/state/index.ts";
import { readMeasured } from "../../../server/subjects/vehicles/read-measured.ts";
import { guarded } from "../../desk/guard.server.ts";
import { keptReading } from "../../kept/reading.ts";
import { later } from "../../ui/later.ts";
import { OnAgain } from "../apart/StepsAndThings.tsx";
import { Cautions } from "../stage/Cautions.tsx";
import { useJob } from "../stage/context.ts";
import { type StageRead, stage } from "../stage/stage.tsx";
import type { Tool } from "../stage/ToolTabs.tsx";
import { Tray } from "../stage/Tray.tsx";
import { Work } from "../stage/Work.tsx";
import { StepsBack } from "./StepsBack.tsx";
import { ThingsBack } from "./ThingsBack.tsx";

const buildTools = later(() => import("./BuildTools.tsx"));

export const loader = guarded("desk", async ({ params, desk }) => ({
  torques: (await desk((given) => readMeasured(given, params.jobId ?? ""))).torques,
}));

/** Without a server general figures are left. */
export const clientLoader = keptReading<Awaited<ReturnType<typeof loader>>>("job/build/route", async () => ({
  torques: [],
}));

const CAUTIONS = [
  "Fasteners started by hand before any is tightened. Plugs clicked home, then tugged. Bent fins cut; two people for a big unit.",
  "A fan may start at any moment once its plug is on: hands and sleeves out first.",
];

const FEW = 3;

/** What is left over or missing, in words, once the steps are all back or little is left. */
function LeftOver() {
  const { entries, system } = useJob();
  const open = openItems(entries, system).filter(({ stage }) => stage === "build");
  const { now, waits } = buildOrder(entries);
  const isNearlyDone = factsOf(entries, StepBack).length > 0 || open.length <= FEW;
  if (open.length === 0 || now.length + waits.length > 0 || !isNearlyDone) return null;
  return (
    <p role="status" className="border-ink border-l-[6px] bg-wash py-2 pl-4 text-lg">
      <span className="font-bold">Left over or missing:</span> {open.map(({ words }) => words).join("; ")}.
    </p>
  );
}

/** Putting back: the order of work turned round, then what is out, last off first. Anything can be ticked. */
function Build({ read: { torques } }: StageRead<typeof loader>) {
  const { entries, page } = useJob();
  const BuildTools = buildTools.use()?.BuildTools;
  const order = buildOrder(entries);
  const lines = stillOut(entries);
  const apart = useMemo(() => apartList(entries, undefined, []), [entries]);
  const hasMoved = entries.some((entry) => entry.account && entry.account !== "coolant" && entry.out);
  const isBagOpen = useSearchParams()[0].has("bag");
  const hasTasks = tasksOf(entries).some(({ isDone }) => !isDone);
  // Where no step was taken things alone are out, and stand in two columns; a bag that was opened by its label stands by itself.
  const isOneList = !isBagOpen && order.now.length + order.waits.length + (hasTasks ? 1 : 0) > 0;
  const isAllBack = lines.length + order.now.length + order.waits.length === 0;
  const things = (
    <div key="back" className="flex flex-col gap-5">
      <Cautions texts={CAUTIONS} />
      <LeftOver />
      {isOneList && <StepsBack list={backList(entries)} apart={apart} />}
      {(lines.length > 0 || isBagOpen) && !isOneList && <ThingsBack />}
      {!isBagOpen && <OnAgain rows={apart} />}
    </div>
  );
  const back: Tool[] = [
    ["back", "Back", things],
    ...(lines.length > 0 && !isBagOpen
      ? [["bench", "Bench", <Tray key="bench" entries={entries} />] as Tool]
      : []),
  ];
  return (
    <Work title="What goes back next?" next={{ label: "On to Fill", to: "fill" }}>
      {isAllBack && (
        <p role="status" className="text-lg">
          {hasMoved
            ? "Nothing is out: all that came off is back."
            : "Nothing is out. What Strip writes out is offered here, last off first."}
        </p>
      )}
      {BuildTools ? (
        <BuildTools key={page.job.id} torques={torques} back={back} asked={isBagOpen ? "back" : undefined} />
      ) : (
        <div className="pt-16">{things}</div>
      )}
    </Work>
  );
}

export default stage<typeof loader>(Build);
