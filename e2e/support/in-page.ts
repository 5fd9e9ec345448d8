import type { Page } from "puppeteer-core";
import { LOOK_MS } from "./waits.ts";

/** One message asks the page for so many looks; then it is asked anew, since a page may be left meanwhile. */
export const LOOKS = 25;
const IS_LEFT = /context|navigat|detached|inspected target/i;

type Look = string | ((...given: never[]) => unknown);

/** A function that looks in the page itself, turn after turn: waiting costs one message and not one a look. */
function turns(look: Look, looks: number): (...given: unknown[]) => Promise<boolean> {
  const asked = typeof look === "string" ? `(${look})` : `(${look})(...given)`;
  return new Function(
    "...given",
    `return (async () => {
      for (let turn = 0; turn < ${looks}; turn++) {
        if (await ${asked}) return true;
        await new Promise((resolve) => setTimeout(resolve, ${LOOK_MS}));
      }
      return false;
    })()`,
  ) as (...given: unknown[]) => Promise<boolean>;
}

/** Looks in the page until `look` holds, for about `looks` looks; false where it doesn't hold by then, or the page was left. */
export async function lookIn(page: Page, look: Look, given: unknown[], looks = LOOKS): Promise<boolean> {
  return page.evaluate(turns(look, looks), ...given).catch(async (thrown: unknown) => {
    if (!IS_LEFT.test(String(thrown))) throw thrown;
    await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
    return false;
  });
}

const NAME = /name="([^"]*)"/;
const TEXT = /::-p-text\((.*?)\)$/;
const ARIA = /::-p-aria\((.*)\)$/;

/** The longest word of a name or a text that a selector asks for; nothing where it asks otherwise. */
export function wordOf(selector: string): string | undefined {
  const aria = ARIA.exec(selector)?.[1];
  const words = aria ? (NAME.exec(aria)?.[1] ?? aria) : TEXT.exec(selector)?.[1];
  return words
    ?.split(/[^\p{L}\p{N}]+/u)
    .reduce((longest, word) => (word.length > longest.length ? word : longest), "");
}

/** Whether a word stands anywhere in the page, seen or not: without it no name and no text has it. */
export const hasWord = (word: string): boolean =>
  (document.body?.textContent ?? "").includes(word) || (document.body?.innerHTML ?? "").includes(word);

/** Whether an element is there by a plain selector. */
export const hasElement = (selector: string): boolean => document.querySelector(selector) !== null;
