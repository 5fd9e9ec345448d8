import { readFileSync } from "node:fs";
import { join } from "node:path";
import { gzipSync } from "node:zlib";
import { ensureBuild } from "../lib/build.mjs";
import { ROOT } from "../lib/paths.mjs";
import type { Figure } from "./measure.ts";

interface Assets {
  entry: { module: string; imports: string[] };
  routes: Record<string, { module: string; imports?: string[]; parentId?: string }>;
}

const BYTES = 1000;

function scriptsOf(assets: Assets, routeId: string): Set<string> {
  const scripts = new Set([assets.entry.module, ...assets.entry.imports]);
  for (let id: string | undefined = routeId; id; id = assets.routes[id]?.parentId) {
    const route = assets.routes[id];
    if (route) for (const script of [route.module, ...(route.imports ?? [])]) scripts.add(script);
  }
  return scripts;
}

/** Script bytes, gzipped, that signing in and Today load, from the build's own manifest. */
export async function benchFirstScreen(): Promise<Figure[]> {
  await ensureBuild();
  const { assets } = (await import(join(ROOT, "build/server/index.js"))) as { assets: Assets };
  return ["sign-in/route", "today/route"].map((route) => {
    const scripts = [...scriptsOf(assets, route)];
    const bytes = scripts
      .map((path) => gzipSync(readFileSync(join(ROOT, "build/client", path))).length)
      .reduce((sum, size) => sum + size, 0);
    return {
      name: `scripts of ${route.replace("/route", "")}, compressed`,
      measured: bytes / BYTES,
      unit: "kB",
      wanted: 180,
      from: `${scripts.length} files`,
    };
  });
}
