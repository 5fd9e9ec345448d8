import { BaseError } from "sequelize";
import { appUrl } from "../database/addresses.ts";
import { allShops } from "../database/all-shops.ts";
import { type AtDesk, atDesk, openDatabase } from "../database/connection.ts";
import { Refusal } from "../desk/refusal.ts";
import { findLine, hashFromPaper } from "../verify/find-line.ts";
import { verifyShop } from "../verify/verify-shop.ts";

// all | line NUMBER HASH: one line of JSON for bin/verify.mjs.
const url = process.env.DATABASE_URL;
if (!url) throw new Error("DATABASE_URL does not say where the database is.");
/** A column, a table or a function that isn't there yet. */
const OLDER = new Set(["42703", "42P01", "42883"]);
const [what, jobNumber = "", typed = ""] = process.argv.slice(2);

const app = openDatabase(appUrl(process.env), { isPatient: true });
try {
  const hash = hashFromPaper(typed);
  if (what === "line" && !hash)
    throw new Refusal({
      message: "That is none that a report prints: sixteen digits or more, 0 to 9 and a to f.",
    });
  const told = [];
  for (const { id: shopId, name } of await allShops(url)) {
    const at: AtDesk = (work) => atDesk(app, { shopId }, work);
    if (hash) {
      const found = await at((desk) => findLine(desk, Number(jobNumber), hash));
      if (found) told.push({ name, ...found });
    } else told.push({ name, ...(await verifyShop(at, { withFiles: true })) });
  }
  process.stdout.write(`${JSON.stringify({ shops: told })}\n`);
} catch (error) {
  const isDatabase = error instanceof BaseError;
  if (!isDatabase && !(error instanceof Refusal)) throw error;
  const isOlder = isDatabase && OLDER.has(String((error as { parent?: { code?: string } }).parent?.code));
  const refused = isOlder
    ? "That database is older than this program. Bring it up first: npm run migrate"
    : isDatabase
      ? `The database answered: ${error.message || error.name}`
      : error.message;
  process.stdout.write(`${JSON.stringify({ refused })}\n`);
  process.exitCode = 1;
} finally {
  await app.sequelize.close();
}
