import { Tabs } from "radix-ui";
import type { ReactNode } from "react";
import type { PartLife } from "../../../core/job/index.ts";
import { Bolt } from "./fit/Bolt.tsx";
import { FitTable } from "./fit/FitTable.tsx";
import { WhichPart } from "./which/WhichPart.tsx";
import { FanWiringPart } from "./wiring/FanWiring.tsx";

/** What settles a part before it is bought: what it comes to, whether it fits, how it is held and how it is wired. */
export function PlanTools({ lives }: { lives: readonly PartLife[] }) {
  const tools: [id: string, name: string, tool: ReactNode][] = [
    ["which", "Which part", <WhichPart key="which" lives={lives} />],
    ["fit", "Does it fit", <FitTable key="fit" />],
    ["bolt", "Bolt", <Bolt key="bolt" />],
    ["wiring", "Fan wiring", <FanWiringPart key="wiring" />],
  ];
  return (
    <Tabs.Root defaultValue="which">
      <Tabs.List aria-label="Before it is bought" className="flex flex-wrap gap-x-1 border-ink border-b-2">
        {tools.map(([id, name]) => (
          <Tabs.Trigger
            key={id}
            value={id}
            className="min-h-12 px-3 data-[state=active]:bg-ink data-[state=active]:font-bold data-[state=active]:text-paper"
          >
            {name}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      {tools.map(([id, , tool]) => (
        <Tabs.Content key={id} value={id} className="pt-4">
          {tool}
        </Tabs.Content>
      ))}
    </Tabs.Root>
  );
}
