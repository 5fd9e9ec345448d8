import type { ReactNode } from "react";
import type { PartLife } from "../../../core/stages/earlier-jobs/index.ts";
import type { ShelfItem } from "../../../core/trade/shelf/index.ts";
import type { LastOnModel } from "../../../server/books/jobs/read-last-on-model.ts";
import type { Measured } from "../../../server/subjects/vehicles/read-measured.ts";
import { LaterPart } from "../../ui/LaterPart.tsx";
import { later } from "../../ui/later.ts";
import { type Tool, ToolTabs } from "../stage/ToolTabs.tsx";

const willItCoolPart = later(async () => (await import("./cool/WillItCoolPart.tsx")).WillItCoolPart);
const bolt = later(async () => (await import("./fit/Bolt.tsx")).Bolt);
const fitTable = later(async () => (await import("./fit/FitTable.tsx")).FitTable);
const orderOfWorkPart = later(async () => (await import("./order/OrderOfWork.tsx")).OrderOfWorkPart);
const whichPart = later(async () => (await import("./which/WhichPart.tsx")).WhichPart);
const fanWiringPart = later(async () => (await import("./wiring/FanWiring.tsx")).FanWiringPart);

/** The parts, and what is settled before the car is opened: what a part comes to, whether it fits, how it is held and wired, in which order. */
export function PlanTools({
  parts,
  another,
  lives,
  last,
  measured,
  shelf,
}: {
  /** What goes in, and is it here: first, and open unless another was. */
  parts: ReactNode;
  /** One more to choose, where one is chosen. */
  another: ReactNode | undefined;
  lives: readonly PartLife[];
  last: LastOnModel | null;
  measured: Measured["unit"];
  shelf: readonly ShelfItem[];
}) {
  const tools: Tool[] = [
    ["parts", "Parts", parts],
    ...(another ? [["another", "Another part", another] as Tool] : []),
    ["which", "Which part", <LaterPart key="which" part={whichPart} given={{ lives, shelf }} />],
    ["fit", "Does it fit", <LaterPart key="fit" part={fitTable} given={{ measured }} />],
    ["cool", "Will it cool", <LaterPart key="cool" part={willItCoolPart} given={{}} />],
    ["bolt", "Bolt", <LaterPart key="bolt" part={bolt} given={{}} />],
    ["wiring", "Fan wiring", <LaterPart key="wiring" part={fanWiringPart} given={{}} />],
    ["order", "Order of work", <LaterPart key="order" part={orderOfWorkPart} given={{ last }} />],
  ];
  return <ToolTabs label="Plan" tools={tools} />;
}
