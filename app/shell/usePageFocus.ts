import { useEffect } from "react";
import { useLocation } from "react-router";

/** The page that was on screen before this one, in this tab. */
let lastPath: string | undefined;
export const cameFrom = (): string | undefined => lastPath;

/** Who is in a field of the new page, or was taken to something in it, stays there. A stage looks after its own heading. */
const isElsewhere = () =>
  document.activeElement?.closest("main, [role='dialog'], [data-entry-line]") !== null ||
  document.querySelector("[data-stage-heading]") !== null;

/** After a change of page focus goes to its heading, so that it is read out and Tab starts from there. */
export function usePageFocus(): void {
  const { pathname } = useLocation();
  useEffect(() => {
    const from = lastPath;
    lastPath = pathname;
    if (from === undefined || from === pathname || isElsewhere()) return;
    const heading = document.querySelector<HTMLElement>("main h1");
    if (!heading) return;
    heading.tabIndex = -1;
    heading.focus({ preventScroll: true });
  }, [pathname]);
}
