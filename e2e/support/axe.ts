import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import type { AxeResults } from "axe-core";
import type { Page } from "puppeteer-core";

const AXE = readFileSync(createRequire(import.meta.url).resolve("axe-core/axe.min.js"), "utf8");
/** Text contrast of 7:1 is our floor, so the enhanced contrast rule is on. */
const RULES = { rules: { "color-contrast-enhanced": { enabled: true } } };

/** What the rules say against the page as it is now. */
export async function violations(page: Page): Promise<string[]> {
  await page.evaluate(AXE);
  const { violations } = (await page.evaluate(
    (rules) => (window as unknown as { axe: { run: (rules: unknown) => Promise<unknown> } }).axe.run(rules),
    RULES,
  )) as AxeResults;
  return violations.map(
    ({ id, help, nodes }) => `${id}: ${help}: ${nodes.map((node) => node.html.slice(0, 160)).join(" | ")}`,
  );
}
