import { type RefObject, useEffect } from "react";

const AT_FOOT_PX = 40;

/** Keeps the newest line in view while the book grows or its room changes, unless somebody reads further up. */
export function useFoot(foot: RefObject<HTMLElement | null>): void {
  useEffect(() => {
    const scroller = foot.current;
    const content = scroller?.querySelector("table");
    if (!scroller || !content) return;
    let isAtFoot = true;
    let lastTop = 0;
    const follow = () => {
      if (isAtFoot) scroller.scrollTop = scroller.scrollHeight;
    };
    const look = () => {
      const isNear = scroller.scrollHeight - scroller.scrollTop - scroller.clientHeight < AT_FOOT_PX;
      if (isNear) isAtFoot = true;
      else if (scroller.scrollTop < lastTop) isAtFoot = false;
      lastTop = scroller.scrollTop;
    };
    const observer = new ResizeObserver(follow);
    observer.observe(scroller);
    observer.observe(content);
    scroller.addEventListener("scroll", look, { passive: true });
    return () => {
      observer.disconnect();
      scroller.removeEventListener("scroll", look);
    };
  }, [foot]);
}
