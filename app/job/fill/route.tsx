import { bleedRun } from "../../../core/stages/fill/index.ts";
import { bledVehicle, coolantBalance } from "../../../core/state/index.ts";
import { HOT_CAP_WORDS } from "../../../core/trade/limits/index.ts";
import { useMember } from "../../desk/member.ts";
import { LaterPart } from "../../ui/LaterPart.tsx";
import { later } from "../../ui/later.ts";
import { Cautions } from "../stage/Cautions.tsx";
import { ColdCheck } from "../stage/ColdCheck.tsx";
import { useJob } from "../stage/context.ts";
import { DrainWays } from "../stage/DrainWays.tsx";
import { stage } from "../stage/stage.tsx";
import { type Tool, ToolTabs } from "../stage/ToolTabs.tsx";
import { Work } from "../stage/Work.tsx";
import { Bleeding } from "./bleed/Bleeding.tsx";
import { Litres } from "./Litres.tsx";

const mix = later(async () => (await import("./mix/Mix.tsx")).Mix);

const CAUTIONS = [
  HOT_CAP_WORDS,
  "Coolant is sweet and poisons animals and children: catch it, wipe it up, sealed drum, local rules.",
];

/** A run of bleeding is drawn by Fill itself, first on the page: its clock, its settings, its signs. */
const isBleeding = ({ id }: { id: string }) =>
  id === "cap" || id.startsWith("fill:bleed:") || id.startsWith("fill:sign:");
const TO_BLEEDING = {
  label: "To the step in hand",
  onGo: () => document.querySelector<HTMLElement>("#bleeding")?.focus(),
};

/** What was done to the air, and with it: how much is in, what to mix, how to get the air out, how to let it out again. */
function Fill() {
  const { entries, page } = useJob();
  const sums = coolantBalance(entries);
  const run = bleedRun(entries, bledVehicle(entries, page.card, useMember().altitudeM));
  const isRunning = run !== undefined && !run.isEnded;
  const tools: Tool[] = [
    [
      "litres",
      "Litres",
      <div key="litres" className="flex flex-col gap-5">
        <Cautions texts={CAUTIONS} />
        <Litres sums={sums} run={run} />
      </div>,
    ],
    ["mix", "Mix", <LaterPart key="mix" part={mix} given={{}} />],
    ...(isRunning ? [] : [["air", "Air out", <Bleeding key="air" run={run} />] as Tool]),
    ["levels", "Levels", <ColdCheck key="levels" />],
    ...(page.card ? [["drain", "Drain", <DrainWays key="drain" />] as Tool] : []),
  ];
  return (
    <Work
      title="How much went in?"
      next={{ label: "On to Prove", to: "prove" }}
      toDrawn={TO_BLEEDING}
      isDrawn={isRunning ? isBleeding : undefined}
    >
      {isRunning && <Bleeding run={run} />}
      <ToolTabs label="Fill" tools={tools} />
    </Work>
  );
}

export default stage(Fill);
