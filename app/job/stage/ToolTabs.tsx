import { type Given, Tools } from "../../drafts/Tools.tsx";
import { useJob } from "./context.ts";

export type { Tool } from "../../drafts/Tools.tsx";

/** A stage's tools in a row, one open at a time, remembered for the job. */
export function ToolTabs(given: Given) {
  return <Tools of={useJob().page.job.id} {...given} />;
}
