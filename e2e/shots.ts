import { mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import type { Page } from "puppeteer-core";
import { Application, DESKTOP } from "./support/application.ts";
import { inTheMorning } from "./support/day.ts";
import { SCREENS, type Screen, TOOL_SCREENS } from "./support/screens.ts";

// Writes docs/screenshots/*.png from the made-up shop. With SHOTS_TO, writes there; names given choose among them.
const folder = process.env.SHOTS_TO ?? "docs/screenshots";
const wanted = process.argv.slice(2);

interface Shot extends Screen {
  size?: Parameters<Page["setViewport"]>[0];
}

const SHOTS: Shot[] = [
  // A new vehicle's form is its card's, a card is shown on its vehicle, and the rest are tools of a stage that is there.
  ...[...SCREENS, ...TOOL_SCREENS].filter(
    ({ name }) =>
      ![
        "sign-in",
        "add-vehicle",
        "card",
        "fan-wiring",
        "find-verdict",
        "pictures",
        "which-part",
        "bleeding",
      ].includes(name),
  ),
];

const chosen = SHOTS.filter((shot) => wanted.length === 0 || wanted.includes(shot.name));
mkdirSync(folder, { recursive: true });
const application = await Application.open();
try {
  // A picture of a day is taken of one that is on.
  await inTheMorning(application);
  for (const { name, path, size = DESKTOP, before } of chosen) {
    const page =
      name === "sign-in" ? await application.visit(size) : await application.signedIn("maren", size);
    // What compiles this on the fly names inner functions by a helper that no page has.
    await page.evaluateOnNewDocument("globalThis.__name = (each) => each");
    if (name !== "sign-in") await application.go(page, path);
    await before?.(page, application);
    await new Promise((resolve) => setTimeout(resolve, 250));
    writeFileSync(join(folder, `${name}.png`), await page.screenshot());
    process.stdout.write(`${name}.png\n`);
    await page.browserContext().close();
  }
} finally {
  await application.close();
}
