import type { PartSpan } from "../../core/stages/earlier-jobs/index.ts";
import { readSpans } from "../../server/subjects/shelf/read-shelf.ts";
import { guarded } from "../desk/guard.server.ts";
import { isOwnWord } from "../kept/reading.ts";
import type { Route } from "./+types/lives.route";

/** How long parts have lasted in this shop's cars, for a page that is about something else. */
export const loader = guarded("desk", ({ look }) => look(readSpans));

/** Without a server it says nothing, and takes no page down. */
export async function clientLoader({ serverLoader }: Route.ClientLoaderArgs): Promise<PartSpan[]> {
  try {
    return await serverLoader();
  } catch (error) {
    if (isOwnWord(error)) throw error;
    return [];
  }
}
