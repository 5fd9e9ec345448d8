import { computeAccessibleName, getRole } from "dom-accessibility-api";

/** What can have a name that somebody would look for: going over the whole document would cost a second a question. */
const NAMED =
  "a, area, article, aside, button, details, dialog, fieldset, figure, form, h1, h2, h3, h4, img, input, li, main, nav, ol, option, section, select, summary, svg, table, td, textarea, th, tr, ul, [role], [aria-label], [aria-labelledby], [tabindex]";

const isHidden = (element: Element): boolean =>
  element.closest('[hidden], [aria-hidden="true"], [inert]') !== null ||
  (element.closest("details:not([open])") !== null && element.closest("summary") === null);

/** Nothing is laid out here: what a style hides is told by `isHidden`, and asking for styles costs all the time there is. */
const UNSTYLED = {
  getComputedStyle: () =>
    ({ getPropertyValue: () => "", display: "block", visibility: "visible", content: "" }) as never,
};

/** Whether an element may be called so: most can't, which its own words tell. */
function mayBe(element: Element, word: string): boolean {
  if (element.matches("input, select, textarea, fieldset, table, [aria-labelledby]")) return true;
  return (
    (element.textContent ?? "").includes(word) ||
    ["aria-label", "title", "alt"].some((attribute) => element.getAttribute(attribute)?.includes(word)) ||
    element.querySelector("[aria-label], [alt], title") !== null
  );
}

/** By name, as a screen reader says it, and by role where one is given. */
function byName(scope: readonly Element[], name: string, role?: string): Element[] {
  const word = name
    .split(/\s+/)
    .reduce((longest, each) => (each.length > longest.length ? each : longest), "");
  return scope.filter((element) => {
    if (!mayBe(element, word) || isHidden(element)) return false;
    if (role && (element.getAttribute("role") ?? getRole(element)) !== role) return false;
    return computeAccessibleName(element, UNSTYLED).replace(/\s+/g, " ").trim() === name;
  });
}

/** The smallest elements that hold these words. */
function byText(scope: readonly Element[], words: string): Element[] {
  const holding = scope.filter(
    (element) =>
      !element.matches("script, style, head, title") &&
      (element.textContent ?? "").includes(words) &&
      !isHidden(element),
  );
  return holding.filter((element) => !holding.some((other) => other !== element && element.contains(other)));
}

const ASKED = /^(.*?)::-p-(aria|text|xpath)\((.*)\)$/s;

/** The elements that `css`, or `css::-p-text(…)`, or `::-p-aria(name)`, or `::-p-aria([name="…"][role="…"])` names, in the document's order. */
export function findAll(selector: string, within: ParentNode = document): Element[] {
  const [, css = "", kind, asked = ""] = ASKED.exec(selector) ?? [];
  if (!kind) return [...within.querySelectorAll(selector)];
  const isBelow = css.endsWith(" ");
  const roots = css.trim() ? [...within.querySelectorAll(css.trim())] : undefined;
  if (kind === "text") {
    // Of a control itself the whole control is meant, however deep its words lie.
    if (roots && !isBelow)
      return roots.filter((root) => (root.textContent ?? "").includes(asked) && !isHidden(root));
    return byText(
      [...new Set((roots ?? [within]).flatMap((root) => [...root.querySelectorAll("*")]))],
      asked,
    );
  }
  const name = /name="((?:[^"\\]|\\.)*)"/.exec(asked)?.[1] ?? (asked.startsWith("[") ? "" : asked);
  const role = /role="([^"]*)"/.exec(asked)?.[1];
  const scope =
    roots && !isBelow ? roots : (roots ?? [within]).flatMap((root) => [...root.querySelectorAll(NAMED)]);
  if (name === "" && role)
    return scope.filter((each) => (each.getAttribute("role") ?? getRole(each)) === role);
  return byName(scope, name, role);
}

export const find = (selector: string, within?: ParentNode): Element | null =>
  findAll(selector, within)[0] ?? null;
