import type { ShouldRevalidateFunctionArgs } from "react-router";
import { staysWhileBrowsing } from "../desk/stays.ts";
import { isOld } from "./reading.ts";

/**
 * For what other jobs have taught, which no line of this one changes: it is read with the job, and not after each of its
 * lines; but again and again while what is shown of it didn't come from the server.
 */
export const staysOnItsJob =
  (routeId: string) =>
  (step: ShouldRevalidateFunctionArgs): boolean =>
    step.currentParams.jobId === step.nextParams.jobId && !isOld(routeId)
      ? staysWhileBrowsing(step)
      : step.defaultShouldRevalidate;
