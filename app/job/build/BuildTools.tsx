import type { Measured } from "../../../server/subjects/vehicles/read-measured.ts";
import { ToGetList } from "../apart/ToGetList.tsx";
import { WhileApart } from "../apart/WhileApart.tsx";
import { Pictures } from "../pictures/Pictures.tsx";
import { type Tool, ToolTabs } from "../stage/ToolTabs.tsx";
import { FitChecks } from "./FitChecks.tsx";
import { HowTight } from "./HowTight.tsx";
import { MoveOverList } from "./MoveOverList.tsx";

/** What goes back, and what a build wants beside it. */
export function BuildTools({
  torques,
  back,
  asked,
}: {
  torques: Measured["torques"];
  back: readonly Tool[];
  /** Which is asked for by the address. */
  asked: string | undefined;
}) {
  const tools: Tool[] = [
    ...back,
    ["over", "Move over", <MoveOverList key="over" />],
    ["look", "Look at it", <FitChecks key="look" />],
    ["tight", "How tight", <HowTight key="tight" torques={torques} />],
    ["pictures", "Pictures", <Pictures key="pictures" />],
    ["apart", "Apart", <WhileApart key="apart" />],
    ["get", "To get", <ToGetList key="get" />],
  ];
  return <ToolTabs label="Build" tools={tools} asked={asked} />;
}
