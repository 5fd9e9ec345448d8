import { type ChildProcess, spawn } from "node:child_process";
import { existsSync, mkdtempSync, rmSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import puppeteer, { type Browser, type BrowserContext, type Page } from "puppeteer-core";
import { SHOP_ID, seedDemo } from "../../demo/seed.ts";
import { PEOPLE, type PersonKey } from "../../demo/shop.ts";
import { atDesk } from "../../server/database/connection.ts";
import { enrolDevice } from "../../server/people/devices.ts";
import { makeTemplate, type Scratch, scratchDatabase } from "../../server/testing/scratch-database.ts";

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

const LONGEST_WAIT_MS = 8000;

const freePort = () =>
  new Promise<number>((resolve) => {
    const server = createServer().listen(0, "127.0.0.1", () => {
      const address = server.address();
      server.close(() => resolve(typeof address === "object" && address ? address.port : 0));
    });
  });

export const DESKTOP = { width: 1280, height: 800 };
export const TABLET = { width: 800, height: 1180, hasTouch: true };
export const PHONE = { width: 390, height: 844, hasTouch: true, isMobile: true };

/** The production build on a scratch database with the made-up shop, and a headless browser: what a person meets. */
export class Application {
  private server: ChildProcess | undefined;

  private constructor(
    readonly scratch: Scratch,
    readonly browser: Browser,
    readonly port: number,
    private readonly device: string,
    private readonly profile: string,
  ) {}

  static async open({ today = new Date() } = {}): Promise<Application> {
    await makeTemplate();
    const scratch = await scratchDatabase();
    await seedDemo(scratch.owner, scratch.database, today);
    const device = await atDesk(scratch.database, { shopId: SHOP_ID }, (desk) =>
      enrolDevice(desk, "bay tablet"),
    );
    const profile = mkdtempSync(join(tmpdir(), "warm-ledger-browser-"));
    const executablePath = [process.env.CHROMIUM, "/usr/bin/chromium", "/usr/bin/chromium-browser"].find(
      (path) => path && existsSync(path),
    );
    const browser = await puppeteer.launch({
      executablePath,
      headless: true,
      args: FLAGS,
      userDataDir: profile,
    });
    const application = new Application(scratch, browser, await freePort(), device, profile);
    await application.start();
    return application;
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async start(): Promise<void> {
    const env = {
      ...process.env,
      DATABASE_URL: this.scratch.ownerUrl,
      PORT: String(this.port),
      NODE_ENV: "production",
      LOG_LEVEL: "fatal",
    };
    const server = spawn(process.execPath, ["bin/serve.mjs"], {
      env,
      stdio: ["ignore", "inherit", "inherit", "ipc"],
    });
    this.server = server;
    await new Promise<void>((resolve, reject) => {
      server.once("message", () => resolve());
      server.once("exit", (code) => reject(new Error(`the server ended with ${code}; is it built?`)));
    });
  }

  /** The server dies, as in a power cut; `start` brings it back on the same port. */
  async kill(): Promise<void> {
    const server = this.server;
    if (!server || server.exitCode !== null) return;
    await new Promise<void>((resolve) => {
      server.once("exit", () => resolve());
      server.kill("SIGKILL");
    });
  }

  /** A browser of its own on the shop's device, nobody signed in yet. */
  async visit(size: Parameters<Page["setViewport"]>[0] = DESKTOP): Promise<Page> {
    const context: BrowserContext = await this.browser.createBrowserContext();
    const page = await context.newPage();
    page.setDefaultTimeout(LONGEST_WAIT_MS);
    await page.setViewport(size);
    await page.goto(`${this.address}/this-device/${this.device}`);
    return page;
  }

  /** The same with somebody signed in by name tile and PIN. */
  async signedIn(who: PersonKey, size: Parameters<Page["setViewport"]>[0] = DESKTOP): Promise<Page> {
    const page = await this.visit(size);
    const person = PEOPLE.find((each) => each.key === who);
    if (!person) throw new Error(`nobody is ${who}`);
    await settled(page);
    await page.locator(`::-p-text(${person.name})`).click();
    await page.locator('input[name="pin"]').fill(person.pin);
    await Promise.all([page.waitForSelector('nav[aria-label="Places"]'), page.keyboard.press("Enter")]);
    await settled(page);
    return page;
  }

  async go(page: Page, path: string): Promise<void> {
    await page.goto(`${this.address}${path}`, { waitUntil: "load" });
    await settled(page);
  }

  async close(): Promise<void> {
    await this.browser.close();
    await this.kill();
    await this.scratch.drop();
    rmSync(this.profile, { recursive: true, force: true });
  }
}

/** React attaches listeners a moment after it has drawn. */
const LISTENING_MS = 60;

/** Waits until React has taken the page over and the fonts are there. */
export async function settled(page: Page): Promise<void> {
  await page.waitForFunction(() => {
    const body = document.body.firstElementChild;
    return body !== null && Object.keys(body).some((key) => key.startsWith("__react"));
  });
  await page.evaluate(() => document.fonts.ready.then(() => undefined));
  await new Promise((resolve) => setTimeout(resolve, LISTENING_MS));
}
