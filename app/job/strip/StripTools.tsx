import { BagLabels } from "../apart/BagLabels.tsx";
import { ToGetList } from "../apart/ToGetList.tsx";
import { WhileApart } from "../apart/WhileApart.tsx";
import { Pictures } from "../pictures/Pictures.tsx";
import { type Tool, ToolTabs } from "../stage/ToolTabs.tsx";

/** What comes off, and what is looked at and noted while the car is open. */
export function StripTools({ off }: { off: readonly Tool[] }) {
  const tools: Tool[] = [
    ...off,
    ["pictures", "Pictures", <Pictures key="pictures" />],
    ["apart", "Apart", <WhileApart key="apart" />],
    ["labels", "Labels", <BagLabels key="labels" />],
    ["get", "To get", <ToGetList key="get" />],
  ];
  return <ToolTabs label="Strip" tools={tools} />;
}
