// Draws docs/architecture.svg from the imports of the code: npm run architecture
import { readFileSync, writeFileSync } from "node:fs";
import { drawing, rooms } from "./lib/rooms.ts";

const FILE = new URL("../docs/architecture.svg", import.meta.url);
const drawn = drawing(await rooms());
if (process.argv.includes("--check")) {
  const isSame = readFileSync(FILE, "utf8") === drawn;
  process.stdout.write(
    isSame ? "The picture is the code's.\n" : "The picture is another's: npm run architecture\n",
  );
  process.exitCode = isSame ? 0 : 1;
} else writeFileSync(FILE, drawn);
