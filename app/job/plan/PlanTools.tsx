import type { ReactNode } from "react";
import type { PartLife } from "../../../core/stages/earlier-jobs/index.ts";
import type { ShelfItem } from "../../../core/trade/shelf/index.ts";
import type { LastOnModel } from "../../../server/books/jobs/read-last-on-model.ts";
import type { Measured } from "../../../server/subjects/vehicles/read-measured.ts";
import { type Tool, ToolTabs } from "../stage/ToolTabs.tsx";
import { WillItCoolPart } from "./cool/WillItCoolPart.tsx";
import { Bolt } from "./fit/Bolt.tsx";
import { FitTable } from "./fit/FitTable.tsx";
import { OrderOfWorkPart } from "./order/OrderOfWork.tsx";
import { WhichPart } from "./which/WhichPart.tsx";
import { FanWiringPart } from "./wiring/FanWiring.tsx";

/** The parts, and what is settled before the car is opened: what a part comes to, whether it fits, how it is held and wired, in which order. */
export function PlanTools({
  parts,
  lives,
  last,
  measured,
  shelf,
}: {
  /** What goes in, and is it here: first, and open unless another was. */
  parts: ReactNode;
  lives: readonly PartLife[];
  last: LastOnModel | null;
  measured: Measured["unit"];
  shelf: readonly ShelfItem[];
}) {
  const tools: Tool[] = [
    ["parts", "Parts", parts],
    ["which", "Which part", <WhichPart key="which" lives={lives} shelf={shelf} />],
    ["fit", "Does it fit", <FitTable key="fit" measured={measured} />],
    ["cool", "Will it cool", <WillItCoolPart key="cool" />],
    ["bolt", "Bolt", <Bolt key="bolt" />],
    ["wiring", "Fan wiring", <FanWiringPart key="wiring" />],
    ["order", "Order of work", <OrderOfWorkPart key="order" last={last} />],
  ];
  return <ToolTabs label="Plan" tools={tools} />;
}
