import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import type { AxeResults } from "axe-core";
import type { Page } from "puppeteer-core";

const AXE = readFileSync(createRequire(import.meta.url).resolve("axe-core/axe.min.js"), "utf8");
interface Axe {
  getRules: () => { ruleId: string; tags: string[] }[];
  run: (context: unknown, options: unknown) => Promise<unknown>;
}

/** What a theme can change. */
const COLOURS = ["color-contrast", "color-contrast-enhanced", "link-in-text-block"];

/** Replaced by newer rules that are on. */
const RETIRED = "deprecated";

/** A chart that is drawn a moment later. */
const STILL_COMING_PX = 800;

/**
 * Lays a page out as high as it is: what stands half under a bar, where it happens to be scrolled to, would be called a
 * small target. That nothing focused is ever under one is a test of its own.
 */
async function laidOut(page: Page): Promise<{ back: () => Promise<void> }> {
  const viewport = page.viewport();
  const height = await page.evaluate(() => document.documentElement.scrollHeight);
  if (!viewport || height <= viewport.height) return { back: async () => undefined };
  await page.setViewport({ ...viewport, height: height + STILL_COMING_PX });
  return { back: () => page.setViewport(viewport) };
}

/**
 * What the rules, every one of them, say against the page as it is now: experimental, enhanced and best practice too.
 * Those on colours alone where only the theme is another than where all were run.
 */
export async function violations(page: Page, which: "all" | "colours" = "all"): Promise<string[]> {
  await page.evaluate(AXE);
  const laid = await laidOut(page);
  const { violations } = (await page.evaluate(
    (retired, only) => {
      const { axe } = window as unknown as { axe: Axe };
      const rules = axe.getRules().filter(({ tags }) => !tags.includes(retired));
      const isOn = (id: string) => only.length === 0 || only.includes(id);
      // Two empty stops that a dialog's library keeps the focus in with: nobody is ever left on one.
      return axe.run(
        document.querySelector("[data-radix-focus-guard]")
          ? { exclude: ["[data-radix-focus-guard]"] }
          : document,
        {
          rules: Object.fromEntries(rules.map(({ ruleId }) => [ruleId, { enabled: isOn(ruleId) }])),
        },
      );
    },
    RETIRED,
    which === "all" ? [] : COLOURS,
  )) as AxeResults;
  await laid.back();
  return violations.map(
    ({ id, help, nodes }) => `${id}: ${help}: ${nodes.map((node) => node.html.slice(0, 160)).join(" | ")}`,
  );
}
