import { join } from "node:path";
import { build, type Plugin } from "vite";
import { LOCAL, ROOT } from "../../bin/lib/paths.mjs";

export const PROGRAM = join(LOCAL, "views/program.mjs");

const KEEPS = /^(?:export )?(const|let) (\w+)(?:: [^=;]+)?(?: = (new (?:Map|Set)\b.*|[^;]*))?;$/gm;

/**
 * What a page holds in its own memory goes with it in a browser: each value that a module of the pages keeps says here how
 * it is forgotten, and `ViewPage.open` has all of it forgotten. Else a reload would find again what was never kept.
 */
const forgetful: Plugin = {
  name: "forgetful-pages",
  enforce: "pre",
  transform(code, id) {
    if (!id.startsWith(join(ROOT, "app")) || id.includes(".server.")) return null;
    const forgets = [...code.matchAll(KEEPS)].flatMap(([, how, name, value]) => {
      if (how === "let") return [`${name} = ${value ?? "undefined"}`];
      return value && /^new (?:Map|Set)\b.*\(\)$/.test(value) ? [`${name}.clear()`] : [];
    });
    if (forgets.length === 0) return null;
    return `${code}\n(globalThis.pageMemory ??= []).push(() => { ${forgets.join("; ")}; });\n`;
  },
};

/** Puts the program's pages and its server together once: taking them in file by file costs each worker twenty seconds. */
export async function buildProgram(): Promise<void> {
  const { NODE_ENV } = process.env;
  // As a shop runs it: read by the builder from here alone.
  process.env.NODE_ENV = "production";
  await build({
    root: ROOT,
    configFile: false,
    publicDir: false,
    plugins: [forgetful],
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
