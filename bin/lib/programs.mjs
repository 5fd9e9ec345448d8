import { basename, join } from "node:path";
import { ROOT } from "./paths.mjs";

export const PROGRAMS = join(ROOT, "build/programs");

/** What is run by itself: the server's commands, and the processes in which it does what is heavy. */
export const SOURCES = [
  "server/commands/backup.ts",
  "server/commands/chores.ts",
  "server/commands/migrate.ts",
  "server/commands/shop-file.ts",
  "server/commands/shop.ts",
  "server/commands/verify.ts",
  "server/books/day/lay-day.process.ts",
  "server/books/logs/judge-log.process.ts",
  "server/reports/report-pdf.process.ts",
];

export const nameOf = (source) => basename(source, ".ts");

/** Where a command of the server lies once it is built. */
export const commandOf = (name) => join(PROGRAMS, `${name}.js`);
