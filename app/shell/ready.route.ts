import { asRefusal } from "../../server/database/as-refusal.ts";
import { database } from "../desk/database.server.ts";
import { openToAll } from "../desk/guard.server.ts";

const text = (words: string, status: number) =>
  new Response(`${words}\n`, { status, headers: { "Content-Type": "text/plain; charset=utf-8" } });

/** For whoever stands before several of these and sends requests to those that can work: whether the database answers. */
export const loader = openToAll(async () => {
  try {
    await database().sequelize.query("SELECT 1");
    return text("ready", 200);
  } catch (error) {
    return text(asRefusal(error)?.message ?? "The database is not to be had.", 503);
  }
});
