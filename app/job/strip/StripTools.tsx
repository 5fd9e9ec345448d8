import { LaterPart } from "../../ui/LaterPart.tsx";
import { later } from "../../ui/later.ts";
import { ToGetList } from "../apart/ToGetList.tsx";
import { WhileApart } from "../apart/WhileApart.tsx";
import { Pictures } from "../pictures/Pictures.tsx";
import { type Tool, ToolTabs } from "../stage/ToolTabs.tsx";

const bagLabels = later(async () => (await import("../apart/BagLabels.tsx")).BagLabels);

/** What comes off, and what is looked at and noted while the car is open. */
export function StripTools({ off }: { off: readonly Tool[] }) {
  const tools: Tool[] = [
    ...off,
    ["pictures", "Pictures", <Pictures key="pictures" />],
    ["apart", "Apart", <WhileApart key="apart" />],
    ["labels", "Labels", <LaterPart key="labels" part={bagLabels} given={{}} />],
    ["get", "To get", <ToGetList key="get" />],
  ];
  return <ToolTabs label="Strip" tools={tools} />;
}
