import type { Page } from "puppeteer-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { Application, DESKTOP, PHONE, TABLET } from "./support/application.ts";
import { violations } from "./support/axe.ts";
import { SCREENS } from "./support/screens.ts";

let application: Application;
beforeAll(async () => {
  application = await Application.open();
});
afterAll(() => application.close());

describe.each([
  ["desktop, paper", DESKTOP, false],
  ["desktop, dim bay", DESKTOP, true],
  ["tablet upright", TABLET, false],
  ["phone", PHONE, false],
] as const)("nobody is shut out: %s", (_, size, isDim) => {
  let visitor: Page;
  let member: Page;
  beforeAll(async () => {
    visitor = await application.visit(size);
    member = await application.signedIn("maren", size);
    if (isDim) {
      await member.locator("::-p-text(Dim bay)").click();
      await member.waitForSelector('html[data-theme="dim"]');
    }
  });

  it.each(SCREENS)("$name", async ({ name, path, before }) => {
    const page = name === "sign-in" ? visitor : member;
    await application.go(page, path);
    if (size === DESKTOP) await before?.(page);
    expect(await violations(page, isDim ? "colours" : "all")).toEqual([]);
  });
});

// A theme moves nothing.
it.each([
  ["desktop", DESKTOP],
  ["tablet upright", TABLET],
  ["phone", PHONE],
] as const)("nothing runs out of the screen sideways: %s", async (_, size) => {
  const visitor = await application.visit(size);
  const member = await application.signedIn("maren", size);
  for (const { name, path } of SCREENS) {
    const page = name === "sign-in" ? visitor : member;
    await application.go(page, path);
    const overflow = await page.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    );
    expect(overflow, name).toBeLessThanOrEqual(0);
  }
});
