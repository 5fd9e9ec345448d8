#!/usr/bin/env node
// Builds the application, then what opens it without a network: the page that any address starts from, and the service
// worker that keeps every file of this version.
import "./lib/production.mjs";
import { createHash } from "node:crypto";
import { readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { join, relative } from "node:path";
import { brotliCompressSync, constants, gzipSync } from "node:zlib";
import { ROOT } from "./lib/paths.mjs";
import { finish } from "./lib/processes.mjs";
import { nameOf, PROGRAMS, SOURCES } from "./lib/programs.mjs";
import { run } from "./lib/say.mjs";

const CLIENT = join(ROOT, "build/client");
/** Stands in the shell for the nonce that each answer gets. */
const NONCE = "nonce-comes-here";
const HASHED = /^\/assets\//;

function filesIn(folder) {
  return readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? filesIn(path) : [path];
  });
}

/** The page without anybody's data, as the router makes it for an application that runs in the browser alone. */
async function writeShell() {
  process.env.IS_RR_BUILD_REQUEST = "yes";
  const { createRequestHandler } = await import("react-router");
  const build = await import(join(ROOT, "build/server/index.js"));
  const handle = createRequestHandler(build, "production");
  const request = new Request("http://shell.invalid/shell.html", {
    headers: { "X-React-Router-SPA-Mode": "yes" },
  });
  const response = await handle(request, { nonce: NONCE });
  if (response.status !== 200) throw new Error(`the shell came as ${response.status}`);
  const shell = await response.text();
  writeFileSync(join(ROOT, "build/shell.html"), shell);
  return shell;
}

/** What runs beside the server and what its commands run, as plain scripts: no compiler stands beside a shop. */
async function buildPrograms() {
  const { build } = await import("vite");
  await build({
    root: ROOT,
    configFile: false,
    publicDir: false,
    logLevel: "warn",
    define: { "process.env.NODE_ENV": '"production"' },
    build: {
      ssr: true,
      outDir: PROGRAMS,
      target: "node20",
      rollupOptions: {
        input: Object.fromEntries(SOURCES.map((source) => [nameOf(source), join(ROOT, source)])),
        output: { entryFileNames: "[name].js", chunkFileNames: "parts/[name]-[hash].js" },
      },
    },
  });
}

const revisionOf = (content) => createHash("sha256").update(content).digest("hex").slice(0, 16);

async function writeServiceWorker(shell) {
  const { build } = await import("vite");
  const own = filesIn(CLIENT)
    .map((path) => ({ url: `/${relative(CLIENT, path).replaceAll("\\", "/")}`, path }))
    .filter(({ url }) => url !== "/service-worker.js" && !url.startsWith("/.vite"))
    // A hashed name is its own revision.
    .map(({ url, path }) => ({ url, revision: HASHED.test(url) ? null : revisionOf(readFileSync(path)) }));
  const files = [...own, { url: "/shell.html", revision: revisionOf(shell) }];
  await build({
    root: ROOT,
    configFile: false,
    publicDir: false,
    logLevel: "warn",
    define: { __FILES__: JSON.stringify(files), "process.env.NODE_ENV": '"production"' },
    build: {
      outDir: CLIENT,
      emptyOutDir: false,
      target: "es2022",
      copyPublicDir: false,
      lib: {
        entry: join(ROOT, "app/offline/service-worker.ts"),
        formats: ["iife"],
        name: "serviceWorker",
        fileName: () => "service-worker.js",
      },
    },
  });
}

/** What compresses well lies beside itself compressed as far as it goes, which no server does while somebody waits. */
function compressAssets() {
  const most = { params: { [constants.BROTLI_PARAM_QUALITY]: constants.BROTLI_MAX_QUALITY } };
  for (const path of filesIn(join(CLIENT, "assets")).filter((name) => /\.(?:js|css|svg)$/.test(name))) {
    const content = readFileSync(path);
    writeFileSync(`${path}.br`, brotliCompressSync(content, most));
    writeFileSync(`${path}.gz`, gzipSync(content, { level: 9 }));
  }
}

await run(async () => {
  await finish(join(ROOT, "node_modules/.bin/react-router"), ["build"], { cwd: ROOT, env: process.env });
  await buildPrograms();
  await writeServiceWorker(await writeShell());
  compressAssets();
});
