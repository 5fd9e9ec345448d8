import { Undo2 } from "lucide-react";
import { useMemo } from "react";
import { notOffDrafts, tookOff } from "../../../core/book/acts/index.ts";
import { stillOut, thing } from "../../../core/book/out/index.ts";
import { apartList } from "../../../core/stages/apart/index.ts";
import type { LearnedOut } from "../../../core/stages/earlier-jobs/index.ts";
import { partsGate, workOrderOf } from "../../../core/stages/plan/index.ts";
import { stepOf } from "../../../core/stages/strip/index.ts";
import { readLastOnModel } from "../../../server/books/jobs/read-last-on-model.ts";
import { guarded } from "../../desk/guard.server.ts";
import { keptReading } from "../../kept/reading.ts";
import { staysOnItsJob } from "../../kept/stays-on-its-job.ts";
import { Button } from "../../ui/Button.tsx";
import { later } from "../../ui/later.ts";
import { StepsAndThings } from "../apart/StepsAndThings.tsx";
import { Cautions } from "../stage/Cautions.tsx";
import { useJob } from "../stage/context.ts";
import { DrainWays } from "../stage/DrainWays.tsx";
import { LastTime } from "../stage/LastTime.tsx";
import { type StageRead, stage } from "../stage/stage.tsx";
import { type Tool, ToolTabs } from "../stage/ToolTabs.tsx";
import { Tray } from "../stage/Tray.tsx";
import { moveTick } from "../stage/tick-id.ts";
import { Work } from "../stage/Work.tsx";
import { BagPad } from "./BagPad.tsx";
import { HosePad } from "./HosePad.tsx";
import { NamePad } from "./NamePad.tsx";
import { PartsGate } from "./PartsGate.tsx";
import { PlugPad } from "./PlugPad.tsx";
import { type Pad, padsFrom } from "./pads.ts";
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

const LINES = ["oil cooler line", "heater line", "charge air pipe"];
const HUNG = ["condenser", "charge cooler", "oil cooler"];
const TOOLS = ["fused jumper", "magnet", "mirror", "hand lamp", "ratchet", "clip lifter"];

const NO_OUTS: readonly LearnedOut[] = [];

const CAUTIONS = [
  "Engine cold. Stands, not the jack. Battery off near airbag plugs, then wait. Refrigerant lines stay closed.",
];

/** The step in hand is drawn by Strip itself: it asks what came out with it, and shows the clocks beside it. */
const isStep = ({ id }: { id: string }) => id === "cap" || id.startsWith("strip:step:");
const TO_STEP = {
  label: "To the step in hand",
  onGo: () => document.querySelector<HTMLElement>("#step")?.focus(),
};

/** Taking off: by tapping what usually comes off, by the bag, or through the entry line. */
function Strip({ read: { last } }: StageRead<typeof loader>) {
  const { page, entries, book, mayBook } = useJob();
  const pads = useMemo(() => padsFrom(last?.outs ?? []), [last]);
  const lines = stillOut(entries);
  const StripTools = stripTools.use()?.StripTools;
  const gate = partsGate(entries);
  const work = useMemo(() => workOrderOf(entries), [entries]);
  const rows = useMemo(() => apartList(entries, work, last?.outs ?? NO_OUTS), [entries, work, last]);
  const inSteps = new Set(work?.steps.map(({ id }) => id));
  // What a step of the order takes off is tapped in its step.
  const alone = pads.taps.filter((pad) => !inSteps.has(stepOf({ place: "", ...pad, count: 1 }) ?? ""));
  const isOut = (each: Pad) =>
    lines.some(
      (line) => line.account === each.account && line.item === each.item && line.place === (each.place ?? ""),
    );
  const taps = (
    <div
      key="off"
      className={`grid gap-x-8 gap-y-6 ${work ? "xl:grid-cols-[1fr_1.3fr]" : "xl:grid-cols-[1fr_1.4fr]"}`}
    >
      <div className="xl:col-span-2 empty:hidden">
        <Cautions texts={CAUTIONS} />
      </div>
      <section aria-labelledby="usual" className="flex flex-col gap-3">
        <h3 id="usual" className="text-xl">
          {work ? "Steps and things" : "Tap what is off"}
        </h3>
        {work && <StepsAndThings rows={rows} inHand={work.ready[0]?.id} />}
        <div className="grid grid-cols-2 gap-2 xl:grid-cols-1">
          {(work ? alone : pads.taps).map((each) => (
            <div key={thing(each)} className="flex gap-1">
              <Button
                disabled={!mayBook || isOut(each)}
                onClick={() => {
                  const draft = tookOff(each);
                  book(draft, [moveTick(page.job.id, entries, draft)]);
                }}
                className="min-w-0 flex-1 justify-start px-3 text-left leading-tight"
              >
                <span>
                  {thing(each)}
                  {isOut(each) && <span className="font-normal"> is out</span>}
                </span>
              </Button>
              {mayBook && isOut(each) && (
                <Button
                  weight="quiet"
                  className="px-2"
                  data-undoes
                  aria-label={`Not off after all: ${thing(each)}`}
                  onClick={() => book(notOffDrafts(each, entries))}
                >
                  <Undo2 aria-hidden="true" />
                </Button>
              )}
            </div>
          ))}
        </div>
      </section>
      <section aria-labelledby="bag">
        <h3 id="bag" className="text-xl">
          Write it out
        </h3>
        <ToolTabs
          label="Write it out"
          tools={[
            ["bag", "Bag", <BagPad key="bag" pads={pads} />],
            ["plug", "Plug", <PlugPad key="plug" />],
            ["hose", "Hose", <HosePad key="hose" />],
            [
              "line",
              "Line",
              <NamePad key="line" account="line-cap" label="Line capped" names={LINES} done="is capped" />,
            ],
            [
              "hung",
              "Hung up",
              <NamePad
                key="hung"
                account="part"
                label="Hung up"
                names={HUNG}
                done="is hung up"
                text="hung up"
              />,
            ],
            [
              "tool",
              "Tool",
              <NamePad
                key="tool"
                account="tool"
                label="Tool laid in"
                names={[...new Set([...pads.tools, ...TOOLS])]}
                done="is in the engine bay"
              />,
            ],
          ]}
        />
      </section>
    </div>
  );
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
