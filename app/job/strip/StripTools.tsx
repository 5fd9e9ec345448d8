import { BagLabels } from "../apart/BagLabels.tsx";
import { ToGetList } from "../apart/ToGetList.tsx";
import { WhileApart } from "../apart/WhileApart.tsx";
import { Pictures } from "../pictures/Pictures.tsx";
import { type Tool, ToolTabs } from "../stage/ToolTabs.tsx";

/** What is looked at and noted while the car is open. */
export function StripTools() {
  const tools: Tool[] = [
    ["pictures", "Pictures", <Pictures key="pictures" />],
    ["apart", "While it is apart", <WhileApart key="apart" />],
    ["labels", "Bag labels", <BagLabels key="labels" />],
    ["get", "To get", <ToGetList key="get" />],
  ];
  return <ToolTabs label="While it is open" tools={tools} />;
}
