import { type ElementHandle, type Page, TimeoutError, type WaitForSelectorOptions } from "puppeteer-core";
import { heardBy } from "./heard.ts";
import { hasElement, hasWord, LOOKS, lookIn, wordOf } from "./in-page.ts";
import { LOOK_MS } from "./waits.ts";

/** What takes no click for so long was drawn anew meanwhile, or is off: it is looked for again. */
const DRAWN_ANEW_MS = 3000;
/** What a selector names is asked for in earnest after so many looks for its words: a name may be put together. */
const WORD_LOOKS = 12;

type Found = ElementHandle<Element> | null;

/** Whether what is named is there as it is waited for. */
async function isAsWanted(found: Found, { visible, hidden }: WaitForSelectorOptions): Promise<boolean> {
  if (hidden) return found === null || !(await found.isVisible());
  return found !== null && (!visible || (await found.isVisible()));
}

/** Waits until the page can have what is named, so that it isn't asked for its names over and over. */
async function mayBeThere(page: Page, selector: string): Promise<void> {
  const word = wordOf(selector);
  if (word) await lookIn(page, hasWord, [word], WORD_LOOKS);
  else if (!selector.includes("::-p")) await lookIn(page, hasElement, [selector], WORD_LOOKS);
}

/**
 * Sets a field's whole text as pasting does: one event, whatever it held before and however often it is drawn meanwhile.
 * False where it takes none yet.
 */
function paste(field: Element, text: string): boolean {
  if (field.matches(":disabled")) return false;
  field.scrollIntoView({ block: "nearest" });
  if (field instanceof HTMLElement) field.focus();
  const kind =
    field instanceof HTMLSelectElement
      ? HTMLSelectElement
      : field instanceof HTMLTextAreaElement
        ? HTMLTextAreaElement
        : HTMLInputElement;
  Object.getOwnPropertyDescriptor(kind.prototype, "value")?.set?.call(field, text);
  field.dispatchEvent(new Event("input", { bubbles: true }));
  field.dispatchEvent(new Event("change", { bubbles: true }));
  return true;
}

/**
 * Makes a page's waits easy on the page. Left alone, a wait asks the whole page for a name, a text or a state in every
 * frame, makes it draw frames for nothing else, and keeps it from what is waited for; and a field that is drawn anew while
 * it is emptied and typed into gets its old text back in the middle.
 */
export function calm(page: Page): Page {
  const until = async (
    look: Parameters<typeof lookIn>[1],
    { timeout = page.getDefaultTimeout() }: { timeout?: number } = {},
    ...given: unknown[]
  ) => {
    const end = Date.now() + timeout;
    while (!(await lookIn(page, look, given, Math.min(LOOKS, Math.ceil(timeout / LOOK_MS))))) {
      if (Date.now() > end) throw new TimeoutError(`Waiting for ${look} failed`);
    }
  };
  const wait = async (selector: string, options: WaitForSelectorOptions = {}) => {
    const { timeout = page.getDefaultTimeout(), signal } = options;
    const end = Date.now() + (timeout || Number.POSITIVE_INFINITY);
    for (;;) {
      signal?.throwIfAborted();
      if (!options.hidden) await mayBeThere(page, selector);
      // A page on its way to the next one has no names for a moment.
      const found = await page.$(selector).catch(() => undefined);
      if (found !== undefined && (await isAsWanted(found, options).catch(() => false))) return found;
      await found?.dispose();
      if (Date.now() > end) throw new TimeoutError(`Waiting for selector \`${selector}\` failed`);
      await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
    }
  };
  const locator = page.locator.bind(page) as (selector: string) => ReturnType<Page["locator"]>;
  const find = (selector: string) => {
    const found = locator(selector);
    if (typeof selector !== "string") return found;
    found.click = async (options) => {
      const end = Date.now() + page.getDefaultTimeout();
      for (;;) {
        const control = await page.waitForSelector(selector);
        if (!control) continue;
        const { heard, trouble } = await heardBy(page, control, () =>
          control.asLocator().setTimeout(DRAWN_ANEW_MS).click(options),
        );
        await control.dispose().catch(() => undefined);
        if (!trouble || heard === "taken") return;
        if (Date.now() > end) throw trouble;
      }
    };
    found.fill = async (text: string) => {
      const field = await page.waitForSelector(selector, { visible: true });
      const end = Date.now() + page.getDefaultTimeout();
      while (!(await field?.evaluate(paste, text))) {
        if (Date.now() > end) throw new TimeoutError(`“${selector}” takes no text`);
        await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
      }
      await field?.dispose();
    };
    return found;
  };
  const read = async (selector: string, look: (element: Element) => unknown, ...given: unknown[]) => {
    const found = await wait(selector);
    return found
      ?.evaluate(look as never, ...(given as never[]))
      .finally(() => found.dispose().catch(() => undefined));
  };
  return Object.assign(page, { waitForSelector: wait, waitForFunction: until, locator: find, $eval: read });
}
