import type { ClientActionFunctionArgs } from "react-router";
import type { Refused } from "../desk/guard.server.ts";
import { connection } from "./connection.ts";
import { isOwnWord } from "./reading.ts";

const NOT_SENT =
  "No server to be had: nothing was changed. What is written stays here; try again once it answers.";

/** Nobody answered: what was sent may be kept, and sent again under its own id. */
export type CutOff = Refused & { isCutOff: true };

/** A route's post: where no server answers the page stays with what was written, and says so. */
export function keptPosting() {
  return async ({ serverAction }: ClientActionFunctionArgs): Promise<unknown> => {
    try {
      const answer = await serverAction();
      connection.found();
      return answer;
    } catch (error) {
      if (isOwnWord(error)) throw error;
      connection.lost(new Date().toISOString());
      return { refused: { message: NOT_SENT, fields: {} }, isCutOff: true } satisfies CutOff;
    }
  };
}
