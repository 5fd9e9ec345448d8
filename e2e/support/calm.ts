import { type ElementHandle, type Page, TimeoutError, type WaitForSelectorOptions } from "puppeteer-core";

/** A person looks again about so often. */
const LOOK_MS = 80;
const NAMED = "::-p-aria(";

type Found = ElementHandle<Element> | null;

/** Whether what is named is there as it is waited for. */
async function isAsWanted(found: Found, { visible, hidden }: WaitForSelectorOptions): Promise<boolean> {
  if (hidden) return found === null || !(await found.isVisible());
  return found !== null && (!visible || (await found.isVisible()));
}

/** Sets a field's whole text as pasting does: one event, whatever it held before and however often it is drawn meanwhile. */
function paste(field: Element, text: string): void {
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
}

/**
 * Makes a page's waits easy on the page. Left alone, a wait for an accessible name asks the whole page for its names in
 * every frame and keeps it from what is waited for; and a field that is drawn anew while it is emptied and typed into
 * gets its old text back in the middle.
 */
export function calm(page: Page): Page {
  const waitForSelector = page.waitForSelector.bind(page) as Page["waitForSelector"];
  const wait = async (selector: string, options: WaitForSelectorOptions = {}) => {
    if (!selector.includes(NAMED)) return waitForSelector(selector, options);
    const { timeout = page.getDefaultTimeout(), signal } = options;
    const until = Date.now() + (timeout || Number.POSITIVE_INFINITY);
    for (;;) {
      signal?.throwIfAborted();
      // A page on its way to the next one has no names for a moment.
      const found = await page.$(selector).catch(() => undefined);
      if (found !== undefined && (await isAsWanted(found, options).catch(() => false))) return found;
      await found?.dispose();
      if (Date.now() > until) throw new TimeoutError(`Waiting for selector \`${selector}\` failed`);
      await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
    }
  };
  const locator = page.locator.bind(page) as (selector: string) => ReturnType<Page["locator"]>;
  const find = (selector: string) => {
    const found = locator(selector);
    if (typeof selector !== "string") return found;
    found.fill = async (text: string) => {
      const field = await page.waitForSelector(selector, { visible: true });
      await field?.evaluate((each) => each.scrollIntoView({ block: "nearest" }));
      await page.waitForFunction((each) => !each?.matches(":disabled"), {}, field);
      await field?.evaluate(paste, text);
      await field?.dispose();
    };
    return found;
  };
  return Object.assign(page, { waitForSelector: wait, locator: find });
}
