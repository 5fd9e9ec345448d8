import type { ShouldRevalidateFunctionArgs } from "react-router";

/**
 * For what holds while one goes from page to page: who is signed in, how things look. It is read again after every post,
 * not on every step, so that a step needs no network for it.
 */
export function staysWhileBrowsing({
  currentUrl,
  nextUrl,
  formMethod,
  defaultShouldRevalidate,
}: ShouldRevalidateFunctionArgs): boolean {
  const isStep = !formMethod && currentUrl.pathname !== nextUrl.pathname;
  return isStep ? false : defaultShouldRevalidate;
}
