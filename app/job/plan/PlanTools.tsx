import { Tabs } from "radix-ui";
import type { ReactNode } from "react";
import type { PartLife } from "../../../core/job/index.ts";
import { Bolt } from "./fit/Bolt.tsx";
import { FitTable } from "./fit/FitTable.tsx";
import { OrderOfWorkPart } from "./order/OrderOfWork.tsx";
import { WhichPart } from "./which/WhichPart.tsx";
import { FanWiringPart } from "./wiring/FanWiring.tsx";

/** What is settled before the car is opened: what a part comes to, whether it fits, how it is held and wired, in which order. */
export function PlanTools({ lives }: { lives: readonly PartLife[] }) {
  const tools: [id: string, name: string, tool: ReactNode][] = [
    ["which", "Which part", <WhichPart key="which" lives={lives} />],
    ["fit", "Does it fit", <FitTable key="fit" />],
    ["bolt", "Bolt", <Bolt key="bolt" />],
    ["wiring", "Fan wiring", <FanWiringPart key="wiring" />],
    ["order", "Order of work", <OrderOfWorkPart key="order" />],
  ];
  return (
    <Tabs.Root defaultValue="which">
      <Tabs.List aria-label="Before it is opened" className="flex flex-wrap gap-x-1 border-ink border-b-2">
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
