import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { LOCAL } from "./paths.mjs";

function keptFile() {
  const { DATABASE_URL } = process.env;
  if (!DATABASE_URL) return join(LOCAL, "shop.json");
  const { host, pathname } = new URL(DATABASE_URL);
  return join(
    LOCAL,
    `shop-${createHash("sha256").update(`${host}${pathname}`).digest("hex").slice(0, 12)}.json`,
  );
}

/** Which shop is served, for each database: typed again, nobody is asked anew. */
export const keptShop = () =>
  existsSync(keptFile()) ? JSON.parse(readFileSync(keptFile(), "utf8")) : undefined;

export function keepShop(slug) {
  mkdirSync(LOCAL, { recursive: true });
  writeFileSync(keptFile(), JSON.stringify({ slug }), { mode: 0o600 });
}
