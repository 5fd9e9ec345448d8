import puppeteer, { type Browser, type BrowserContext, type Page } from "puppeteer-core";
import { count } from "../../core/counted.fixture.ts";
import type { PersonKey } from "../../demo/shop.ts";
import type { Scratch } from "../../server/testing/scratch-database.ts";
import { launchBrowser } from "./browser.ts";
import { calm } from "./calm.ts";
import { quiet } from "./quiet.ts";
import { Server } from "./server.ts";
import { LONGEST_WAIT_MS } from "./waits.ts";

export const DESKTOP = { width: 1280, height: 800 };
export const TABLET = { width: 800, height: 1180, hasTouch: true };
export const PHONE = { width: 390, height: 844, hasTouch: true, isMobile: true };

/** The production build on a scratch database with the made-up shop, and a headless browser: what a person meets. */
export class Application {
  private constructor(
    private readonly server: Server,
    readonly browser: Browser,
    private readonly leaveBrowser: () => Promise<void>,
    private readonly keepsProgram: boolean,
  ) {}

  /**
   * In this walker's browser, or in one of its own where there is none. `keepsProgram` where the walk goes on without a
   * network: elsewhere no page keeps all of the program's files beside itself, which costs as much as the walk.
   */
  static async open(given: { today?: Date; keepsProgram?: boolean } = {}): Promise<Application> {
    const { keepsProgram = false } = given;
    const server = await Server.open(given);
    const all = process.env.BROWSER_ENDPOINTS?.split(" ") ?? [];
    const shared = all[(Number(process.env.VITEST_POOL_ID ?? 1) - 1) % Math.max(1, all.length)];
    if (shared) {
      const browser = await puppeteer.connect({ browserWSEndpoint: shared });
      return new Application(server, browser, () => browser.disconnect(), keepsProgram);
    }
    const { browser, close } = await launchBrowser();
    return new Application(server, browser, close, keepsProgram);
  }

  private readonly contexts: BrowserContext[] = [];

  get address(): string {
    return this.server.address;
  }

  get scratch(): Scratch {
    return this.server.scratch;
  }

  start(): Promise<void> {
    return this.server.start();
  }

  /** The server dies, as in a power cut; `start` brings it back on the same port. */
  kill(): Promise<void> {
    return this.server.kill();
  }

  /** A browser of its own on the shop's device, nobody signed in yet. */
  async visit(size: Parameters<Page["setViewport"]>[0] = DESKTOP): Promise<Page> {
    const page = await this.blank(size);
    await page.goto(`${this.address}/this-device/${this.server.device}`);
    return page;
  }

  /** A browser of its own on a device that is nobody's yet. */
  stranger(size: Parameters<Page["setViewport"]>[0] = DESKTOP): Promise<Page> {
    return this.blank(size);
  }

  private async blank(size: Parameters<Page["setViewport"]>[0]): Promise<Page> {
    const context: BrowserContext = await this.browser.createBrowserContext();
    this.contexts.push(context);
    return this.blankIn(context, size);
  }

  private async blankIn(context: BrowserContext, size: Parameters<Page["setViewport"]>[0]): Promise<Page> {
    const page = await quiet(calm(await context.newPage()));
    const { goto, reload } = page;
    page.goto = (...given) => {
      count("page loads");
      return goto.apply(page, given);
    };
    page.reload = (...given) => {
      count("page loads");
      return reload.apply(page, given);
    };
    page.setDefaultTimeout(LONGEST_WAIT_MS);
    if (!this.keepsProgram) await page.evaluateOnNewDocument("delete Navigator.prototype.serviceWorker");
    await page.setViewport(size);
    return page;
  }

  /** One more tab beside this one, with nothing in it yet. */
  another(page: Page, size: Parameters<Page["setViewport"]>[0] = DESKTOP): Promise<Page> {
    return this.blankIn(page.browserContext(), size);
  }

  /**
   * The same with somebody signed in, whose PIN was sent as the form sends it: the form itself is walked in its own tests.
   * It stands on no page yet, but on Today where the walk goes on without a network and wants that kept.
   */
  async signedIn(who: PersonKey, size: Parameters<Page["setViewport"]>[0] = DESKTOP): Promise<Page> {
    const page = await this.blank(size);
    const cookies = (await this.server.cookiesOf(who)).split("; ").map((cookie) => {
      const [name = "", ...value] = cookie.split("=");
      return {
        name,
        value: value.join("="),
        domain: "127.0.0.1",
        path: "/",
        httpOnly: true,
        sameSite: "Lax" as const,
      };
    });
    await page.browserContext().setCookie(...cookies);
    if (this.keepsProgram) await this.go(page, "/");
    return page;
  }

  async go(page: Page, path: string): Promise<void> {
    await page.goto(`${this.address}${path}`, { waitUntil: "load" });
    // A server that was just brought back may cut its first page off: a person reads it anew.
    await settled(page).catch(async () => {
      await page.reload({ waitUntil: "load" });
      await settled(page);
    });
  }

  async close(): Promise<void> {
    for (const context of this.contexts) await context.close().catch(() => undefined);
    await this.leaveBrowser();
    await this.server.close();
  }
}

/** React attaches listeners a moment after it has drawn. */
const LISTENING_MS = 60;

/** Waits until React has taken the whole page over, part after part: what is pressed before that is nobody's. */
export async function takenOver(page: Page): Promise<void> {
  await page.waitForFunction(() => {
    const drawn = [...document.body.querySelectorAll("a, button, input, main, nav, aside, h1, h2")];
    return (
      drawn.length > 0 &&
      // A server that is slow to answer leaves the page to what is kept: it isn't there before that is read.
      !document.querySelector("[data-opening]") &&
      drawn.every((each) => Object.keys(each).some((key) => key.startsWith("__reactFiber")))
    );
  });
}

/** Reads the page on screen anew, and waits until it hears what is pressed. */
export async function readAnew(page: Page): Promise<void> {
  await page.reload({ waitUntil: "load" });
  await takenOver(page);
}

/** Waits until that is so, and the fonts and the entry language are there. */
export async function settled(page: Page): Promise<void> {
  await takenOver(page);
  await page.waitForFunction(() => !document.querySelector('[data-entry-line][aria-busy="true"]'));
  await page.evaluate(() => document.fonts.ready.then(() => undefined));
  await new Promise((resolve) => setTimeout(resolve, LISTENING_MS));
}
