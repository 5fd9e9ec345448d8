import type { ShouldRevalidateFunctionArgs } from "react-router";

/**
 * For what holds while one goes from page to page: who is signed in, how things look. It is read again after every post
 * and never else, so that no step needs a network for it.
 */
export const staysWhileBrowsing = ({
  formMethod,
  defaultShouldRevalidate,
}: ShouldRevalidateFunctionArgs): boolean =>
  formMethod !== undefined && formMethod.toUpperCase() !== "GET" && defaultShouldRevalidate;
