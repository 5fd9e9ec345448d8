import { mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import type { Page } from "puppeteer-core";
import { jobId } from "../demo/seed.ts";
import { demoId } from "../demo/story.ts";
import { Application, DESKTOP, PHONE, TABLET } from "./support/application.ts";

// Writes docs/screenshots/*.png from the made-up shop. With SHOTS_TO, writes there; names given choose among them.
const folder = process.env.SHOTS_TO ?? "docs/screenshots";
const wanted = process.argv.slice(2);

interface Shot {
  name: string;
  path: string;
  size?: Parameters<Page["setViewport"]>[0];
  dim?: boolean;
  before?: (page: Page) => Promise<unknown>;
}

const job = (key: string, stage: string) => `/jobs/${jobId(key)}/${stage}`;
const typed = (text: string) => (page: Page) => page.locator("[data-entry-line]").fill(text);
const chart = (page: Page) => page.waitForSelector("figure svg");

const SHOTS: Shot[] = [
  { name: "sign-in", path: "/sign-in" },
  { name: "today", path: "/" },
  { name: "vehicles", path: "/vehicles?find=br" },
  { name: "vehicle", path: `/vehicles/${demoId("vehicle:scholar")}` },
  { name: "add-vehicle", path: "/vehicles/new" },
  { name: "shop", path: "/shop" },
  { name: "ask", path: job("open-find", "ask") },
  { name: "find", path: job("open-find", "find"), before: typed("ect 101 fan none") },
  { name: "plan", path: job("open-build", "plan") },
  { name: "strip", path: job("open-build", "strip"), before: typed("out 3 m6x20 airbox bag 3") },
  { name: "build", path: job("open-build", "build"), before: typed("in 2 m8x25 bag 2") },
  { name: "fill", path: job("open-prove", "fill") },
  { name: "prove", path: job("open-prove", "prove"), before: chart },
  { name: "sign", path: job("open-build", "sign") },
  { name: "prove-dim-bay", path: job("open-prove", "prove"), before: chart, dim: true },
  { name: "build-tablet", path: job("open-build", "build"), size: TABLET },
  { name: "fill-phone", path: job("open-prove", "fill"), size: PHONE },
];

const chosen = SHOTS.filter((shot) => wanted.length === 0 || wanted.includes(shot.name));
mkdirSync(folder, { recursive: true });
const application = await Application.open();
try {
  for (const { name, path, size = DESKTOP, dim, before } of chosen) {
    const page =
      name === "sign-in" ? await application.visit(size) : await application.signedIn("maren", size);
    if (dim) {
      await page.locator("::-p-text(Dim bay)").click();
      await page.waitForSelector('html[data-theme="dim"]');
    }
    if (name !== "sign-in") await application.go(page, path);
    await before?.(page);
    await new Promise((resolve) => setTimeout(resolve, 250));
    writeFileSync(join(folder, `${name}.png`), await page.screenshot());
    process.stdout.write(`${name}.png\n`);
    await page.browserContext().close();
  }
} finally {
  await application.close();
}
