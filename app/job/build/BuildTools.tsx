import type { Measured } from "../../../server/subjects/vehicles/read-measured.ts";
import { ToGetList } from "../apart/ToGetList.tsx";
import { WhileApart } from "../apart/WhileApart.tsx";
import { Pictures } from "../pictures/Pictures.tsx";
import { type Tool, ToolTabs } from "../stage/ToolTabs.tsx";
import { FitChecks } from "./FitChecks.tsx";
import { HowTight } from "./HowTight.tsx";
import { MoveOverList } from "./MoveOverList.tsx";

/** What a build wants beside the things themselves. */
export function BuildTools({ torques }: { torques: Measured["torques"] }) {
  const tools: Tool[] = [
    ["over", "Move over", <MoveOverList key="over" />],
    ["look", "Look at it", <FitChecks key="look" />],
    ["tight", "How tight", <HowTight key="tight" torques={torques} />],
    ["pictures", "Pictures", <Pictures key="pictures" />],
    ["apart", "While it is apart", <WhileApart key="apart" />],
    ["get", "To get", <ToGetList key="get" />],
  ];
  return <ToolTabs label="Before it is closed" tools={tools} />;
}
