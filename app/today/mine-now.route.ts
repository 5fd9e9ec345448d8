import { data } from "react-router";
import { readMineNow } from "../../server/books/day/read-mine-now.ts";
import { guarded } from "../desk/guard.server.ts";

/** What whoever asks should be at by now. */
export const loader = guarded("desk", async ({ desk }) => data({ now: await desk(readMineNow) }));
