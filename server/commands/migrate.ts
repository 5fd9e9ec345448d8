import { Sequelize } from "sequelize";
import { lostBy } from "../database/lost-by.ts";
import { migrate } from "../database/migrate.ts";

// Brings the database that DATABASE_URL names up to date. For developers: down STEP takes steps back, that one included, and
// refuses where something would be lost; --lose NAME, the database's own name, is the second time of asking.
const url = process.env.DATABASE_URL;
if (!url) throw new Error("DATABASE_URL does not say where the database is.");
const say = (words: string) => process.stdout.write(`${words}\n`);
const [direction, to, ...rest] = process.argv.slice(2);

if (direction === "down") {
  const owner = new Sequelize(url, { logging: false, dialect: "postgres" });
  const lost = await lostBy(owner, to ?? "").finally(() => owner.close());
  const name = new URL(url).pathname.slice(1);
  const isAgreed = rest[0] === "--lose" && rest[1] === name;
  if (lost.length > 0 && !isAgreed) {
    say(
      `Refused: this would lose ${lost.join("; ")}.\nBack it up first. To lose it all the same: --lose ${name}`,
    );
    process.exit(1);
  }
  say(`Taken back: ${(await migrate(url, "down", to)).join(", ")}`);
} else if (direction === undefined || direction === "up") {
  const ran = await migrate(url);
  say(ran.length > 0 ? `Schema: ${ran.join(", ")}` : "Schema: up to date");
} else {
  say(`“${direction}” is not known here: up, or down STEP.`);
  process.exit(1);
}
