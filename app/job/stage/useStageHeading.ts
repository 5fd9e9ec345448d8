import { type RefObject, useEffect, useRef } from "react";
import { useLocation } from "react-router";
import { cameFrom } from "../../shell/usePageFocus.ts";

/** The stage that was on screen last in this tab: what comes after another one was gone to by somebody. */
let lastPath: string | undefined;

/** Who is typing a line while the stage comes keeps the line: the letters that follow would be keys. */
const isTyping = () => document.activeElement?.matches("[data-entry-line]") === true;

/** After a change of stage focus goes to the new stage's heading, so that it is read out and keys start from there. */
export function useStageHeading(): RefObject<HTMLHeadingElement | null> {
  const heading = useRef<HTMLHeadingElement>(null);
  const { pathname } = useLocation();
  useEffect(() => {
    const from = lastPath ?? cameFrom();
    const isChanged = from !== undefined && from !== pathname;
    lastPath = pathname;
    if (isChanged && !isTyping()) heading.current?.focus();
  }, [pathname]);
  return heading;
}
