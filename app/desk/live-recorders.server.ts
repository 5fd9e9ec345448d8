import { startLiveRecorders } from "../../server/books/live/live-recorders.ts";
import { database } from "./database.server.ts";
import { log } from "./log.server.ts";

/** This process takes its turn at the logs that are recorded live; the answer writes what was read up to then and leaves them to others. */
export const recordLiveLogs = (): (() => Promise<void>) =>
  startLiveRecorders(database(), { say: (words) => log.warn(words) });
