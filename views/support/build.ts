import { join } from "node:path";
import { build } from "vite";
import { LOCAL, ROOT } from "../../bin/lib/paths.mjs";

export const PROGRAM = join(LOCAL, "views/program.mjs");

/** Puts the program's pages and its server together once: taking them in file by file costs each worker twenty seconds. */
export async function buildProgram(): Promise<void> {
  const { NODE_ENV } = process.env;
  // As a shop runs it: read by the builder from here alone.
  process.env.NODE_ENV = "production";
  await build({
    root: ROOT,
    configFile: false,
    publicDir: false,
    logLevel: "error",
    define: { "process.env.NODE_ENV": '"production"' },
    build: {
      ssr: true,
      outDir: join(LOCAL, "views"),
      target: "node20",
      sourcemap: "inline",
      minify: false,
      rollupOptions: {
        input: { program: join(ROOT, "views/support/program.ts") },
        // By its ending the server knows source from what a shop runs: heavy work is done from the source here.
        output: { entryFileNames: "[name].mjs", chunkFileNames: "parts/[name].mjs" },
      },
    },
  }).finally(() => Object.assign(process.env, { NODE_ENV }));
}
