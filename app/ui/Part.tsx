import { type ReactNode, Suspense } from "react";

/**
 * A part of the page that React takes over from the server in a task of its own: a slow tablet answers between two of
 * them. Nothing in it waits, so there is nothing to show instead.
 */
export function Part({ children }: { children: ReactNode }) {
  return <Suspense fallback={null}>{children}</Suspense>;
}
