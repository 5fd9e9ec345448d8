import { buildProgram } from "./build.ts";
import seeded from "./seeded.ts";

/** The program in one piece and the made-up shop, for every file and worker. */
export default async function setUp(): Promise<() => Promise<void>> {
  await buildProgram();
  return seeded();
}
