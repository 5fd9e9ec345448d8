import { useContext } from "react";
import { Fold, type FoldGiven, type Folds } from "../../drafts/Fold.tsx";
import { InHandHere } from "../hand/hand-context.ts";
import { useJob } from "./context.ts";

/** Something long of a stage, remembered for the job. */
export function FoldOfJob(given: Omit<FoldGiven, "of">) {
  const { id } = useJob().page.job;
  return <Fold key={id} of={id} {...given} />;
}

/** Behind something in hand a stage's own long things are one line each; where nothing is, only a phone folds them. */
export const useFolds = (): Folds => (useContext(InHandHere) ? "always" : "narrow");
