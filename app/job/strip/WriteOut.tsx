import { FoldOfJob, useFolds } from "../stage/Fold.tsx";
import { ToolTabs } from "../stage/ToolTabs.tsx";
import { BagPad } from "./BagPad.tsx";
import { HosePad } from "./HosePad.tsx";
import { NamePad } from "./NamePad.tsx";
import { PlugPad } from "./PlugPad.tsx";
import type { Pads } from "./pads.ts";

const LINES = ["oil cooler line", "heater line", "charge air pipe"];
const HUNG = ["condenser", "charge cooler", "oil cooler"];
const TOOLS = ["fused jumper", "magnet", "mirror", "hand lamp", "ratchet", "clip lifter"];

/** Whatever else comes off, by its kind: a bag's fasteners, plugs, hoses, lines capped, what is hung up, tools laid in. */
export function WriteOut({ pads }: { pads: Pads }) {
  return (
    <FoldOfJob
      name="Write it out"
      says="by bag, plug, hose, line, tool"
      folds={useFolds()}
      className="text-xl"
    >
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
    </FoldOfJob>
  );
}
