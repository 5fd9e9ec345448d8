import { migrate } from "../database/migrate.ts";

// Brings the database that DATABASE_URL names up to date; with `down`, takes every step back.
const url = process.env.DATABASE_URL;
if (!url) throw new Error("DATABASE_URL does not say where the database is.");
const ran = await migrate(url, process.argv[2] === "down" ? "down" : "up");
process.stdout.write(ran.length > 0 ? `Schema: ${ran.join(", ")}\n` : "Schema: up to date\n");
