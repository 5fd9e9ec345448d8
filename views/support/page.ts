import { readFileSync } from "node:fs";
import { basename } from "node:path";
import { fireEvent } from "@testing-library/dom";
import userEvent from "@testing-library/user-event";
import type { Root } from "react-dom/client";
import { PROGRAM } from "./build.ts";
import { passes, quiet, until } from "./clock.ts";
import { find, findAll } from "./find.ts";
import { ShopHere } from "./shop-here.ts";

const { createElement, createRoot } = (await import(
  /* @vite-ignore */ PROGRAM
)) as typeof import("./program.ts");

/** What is drawn just now: one page at a time, as a tab has it. */
let drawn: { page: ViewPage; root: Root } | undefined;
function leave(): void {
  drawn?.root.unmount();
  drawn = undefined;
}

type Given = unknown[];
// biome-ignore lint/suspicious/noExplicitAny: a look takes whatever elements its walk names
type Named = any;
type Look<Result = unknown> = (...given: Named[]) => Result;
type LookAtAll<Result> = (all: Named[], ...given: Named[]) => Result;

/** What takes no tap for a moment after it came up, and what is off. */
const RESTS = "[data-rests], :disabled";

/** A control or another element that was found, as a walk handles it. */
export class Handle {
  constructor(
    readonly page: ViewPage,
    readonly element: Element,
  ) {}

  async click({ count = 1 }: { count?: number; delay?: number } = {}): Promise<void> {
    for (let each = 0; each < count; each++) await this.page.hands.click(this.element);
    await quiet();
  }

  tap(): Promise<void> {
    return this.click();
  }

  async focus(): Promise<void> {
    (this.element as HTMLElement).focus();
    await quiet();
  }

  async evaluate<Result>(look: Look<Result>, ...given: Given): Promise<Awaited<Result>> {
    return (await look(this.element, ...given)) as Awaited<Result>;
  }

  async uploadFile(path: string): Promise<void> {
    const file = new File([readFileSync(path)], basename(path));
    await this.page.hands.upload(this.element as HTMLInputElement, file);
    await quiet();
  }

  async dispose(): Promise<void> {}
}

function paste(field: Element, text: string): void {
  const kind =
    field instanceof HTMLSelectElement
      ? HTMLSelectElement
      : field instanceof HTMLTextAreaElement
        ? HTMLTextAreaElement
        : HTMLInputElement;
  (field as HTMLElement).focus();
  Object.getOwnPropertyDescriptor(kind.prototype, "value")?.set?.call(field, text);
  fireEvent.input(field);
  fireEvent.change(field);
}

/**
 * A page of the program in a light document, walked by the same words as one in a browser: what it shows, its forms, names,
 * keys and focus are tried here; what it looks like, real touch and more than one window are not.
 */
export class ViewPage {
  readonly hands = userEvent.setup({ delay: null, pointerEventsCheck: 0, applyAccept: false });
  private path = "/";

  constructor(readonly shop: ShopHere) {}

  /** Opens the program anew at this address, as loading a page does. */
  async open(path: string): Promise<void> {
    leave();
    await quiet();
    for (const forget of (globalThis as { pageMemory?: (() => void)[] }).pageMemory ?? []) forget();
    document.body.innerHTML = "<div></div>";
    this.path = path;
    const root = createRoot(document.body.firstElementChild as Element);
    drawn = { page: this, root };
    globalThis.fetch = this.shop.fetch as typeof fetch;
    window.happyDOM?.setURL(`http://127.0.0.1${path}`);
    root.render(createElement(this.shop.program, { initialEntries: [path] }));
    await until(
      () => findAll("main, h1").length > 0 && !find("[data-opening]"),
      () => `nothing comes up at ${path}`,
    );
    await until(
      () => !find('[data-entry-line][aria-busy="true"]'),
      () => `the entry line of ${path} stays busy`,
    );
    await quiet();
  }

  goto(url: string, _options: object = {}): Promise<void> {
    const { pathname, search } = new URL(url, "http://127.0.0.1");
    return this.open(pathname + search);
  }

  reload(): Promise<void> {
    return this.open(this.here());
  }

  private here(): string {
    if (drawn?.page === this) this.path = window.location.pathname + window.location.search;
    return this.path;
  }

  url(): string {
    return `http://127.0.0.1${this.here()}`;
  }

  /** Whoever turns to another page has it read anew, as a tab that was put away is. */
  private async front(): Promise<void> {
    if (drawn && drawn.page !== this) {
      drawn.page.here();
      await this.open(this.path);
    }
    await quiet();
  }

  readonly keyboard = {
    press: async (key: string): Promise<void> => {
      await this.front();
      if (key === "Tab") await this.hands.tab();
      else await this.hands.keyboard(key.length === 1 ? key.replace(/[{[]/, "$&$&") : `{${key}}`);
      await quiet();
    },
    down: async (key: string): Promise<void> => void (await this.hands.keyboard(`{${key}>}`)),
    up: async (key: string): Promise<void> => {
      await this.hands.keyboard(`{/${key}}`);
      await quiet();
    },
    type: async (text: string): Promise<void> => {
      await this.hands.keyboard(text.replace(/[{[]/g, "$&$&"));
      await quiet();
    },
  };

  async $(selector: string): Promise<Handle | null> {
    await this.front();
    const found = find(selector);
    return found && new Handle(this, found);
  }

  async $$(selector: string): Promise<Handle[]> {
    await this.front();
    return findAll(selector).map((each) => new Handle(this, each));
  }

  async $eval<Result>(selector: string, look: Look<Result>, ...given: Given) {
    return (await this.waitForSelector(selector)).evaluate(look, ...given);
  }

  async $$eval<Result>(selector: string, look: LookAtAll<Result>, ...given: Given): Promise<Awaited<Result>> {
    await this.front();
    return (await look(findAll(selector), ...given)) as Awaited<Result>;
  }

  async evaluate<Result>(look: Look<Result>, ...given: Given): Promise<Awaited<Result>> {
    await this.front();
    const answer = (await look(...given.map(bare))) as Awaited<Result>;
    await quiet();
    return answer;
  }

  async waitForSelector(
    selector: string,
    { hidden: isGone = false }: { hidden?: boolean; visible?: boolean } = {},
  ): Promise<Handle> {
    await this.front();
    if (isGone) {
      await until(
        () => find(selector) === null,
        () => `“${selector}” never goes`,
      );
      return new Handle(this, document.body);
    }
    const found = await until(
      () => find(selector),
      () => `“${selector}” never comes; the page says: ${this.says()}`,
    );
    return new Handle(this, found);
  }

  async waitForFunction(look: Look | string, _options: object = {}, ...given: Given): Promise<void> {
    await this.front();
    const asked: Look = typeof look === "string" ? () => new Function(`return (${look})`)() : look;
    await until(
      () => asked(...given.map(bare)),
      () => `${look} never holds; the page says: ${this.says()}`,
    );
  }

  /** The page's words, for a test that fails. */
  private says(): string {
    return (document.body.textContent ?? "").replace(/\s+/g, " ").slice(0, 1500);
  }

  locator(selector: string) {
    return {
      click: async () => {
        const { element } = await this.waitForSelector(selector);
        await this.tapOn(element, selector);
      },
      fill: async (text: string) => {
        const { element } = await this.waitForSelector(selector);
        paste(element, text);
        await quiet();
      },
    };
  }

  /** Taps a control once it takes a tap. */
  async tapOn(first: Element, selector: string): Promise<void> {
    const control = await until(
      () => {
        const found = first.isConnected ? first : find(selector);
        return found && !found.closest(RESTS) ? found : null;
      },
      () => `“${selector}” takes no tap`,
    );
    await this.hands.click(control);
    await quiet();
  }

  click(selector: string): Promise<void> {
    return this.locator(selector).click();
  }

  async type(selector: string, text: string): Promise<void> {
    await this.focus(selector);
    await this.keyboard.type(text);
  }

  async focus(selector: string): Promise<void> {
    await (await this.waitForSelector(selector)).focus();
  }

  async select(selector: string, value: string): Promise<void> {
    await this.locator(selector).fill(value);
  }

  async title(): Promise<string> {
    await quiet();
    return this.shop.titleOf(window.location.pathname);
  }

  /** The network is gone for this page, or back. */
  async setOfflineMode(isOffline: boolean): Promise<void> {
    this.shop.isThere = !isOffline;
    if (!isOffline) window.dispatchEvent(new Event("online"));
    await quiet();
  }

  passes(ms: number): Promise<void> {
    return passes(ms);
  }

  async close(): Promise<void> {
    if (drawn?.page === this) leave();
    await quiet();
  }
}

const bare = (value: unknown): unknown => (value instanceof Handle ? value.element : value);
