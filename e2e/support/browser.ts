import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import puppeteer, { type Browser } from "puppeteer-core";
import { ensureDebian, findChromium } from "../../bin/lib/packages.mjs";

const FLAGS = [
  "--no-sandbox",
  "--disable-gpu",
  "--disable-quic",
  "--no-first-run",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
  "--font-render-hinting=none",
];

let installed: Promise<string> | undefined;
/** Asked for once, however many browsers are opened at once: two installations at a time lock each other out. */
const chromium = (): Promise<string> => {
  installed ??= ensureDebian("Chromium", ["chromium-headless-shell"], findChromium);
  return installed;
};

/** A headless browser with an empty profile. */
export async function launchBrowser(): Promise<{ browser: Browser; close: () => Promise<void> }> {
  const profile = mkdtempSync(join(tmpdir(), "warm-ledger-browser-"));
  const executablePath = await chromium();
  const browser = await puppeteer.launch({
    executablePath,
    headless: true,
    args: FLAGS,
    userDataDir: profile,
  });
  const close = async () => {
    await browser.close();
    rmSync(profile, { recursive: true, force: true });
  };
  return { browser, close };
}
