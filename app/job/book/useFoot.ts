import { type RefObject, useEffect } from "react";

const AT_FOOT_PX = 40;

/** Keeps the newest line in view while the book grows or its room changes, unless somebody reads further up. */
export function useFoot(foot: RefObject<HTMLElement | null>): void {
  useEffect(() => {
    const scroller = foot.current;
    const content = scroller?.querySelector("table");
    if (!scroller || !content) return;
    let isAtFoot = true;
    let last = { top: 0, height: 0 };
    const follow = () => {
      if (isAtFoot) scroller.scrollTop = scroller.scrollHeight;
    };
    const look = () => {
      const { scrollTop: top, scrollHeight: height, clientHeight } = scroller;
      const isUp = top < last.top;
      // A long book's rows are measured as they come, which moves the list by itself: that is nobody reading further up.
      const isMeasured = height !== last.height;
      last = { top, height };
      if (height - top - clientHeight < AT_FOOT_PX) isAtFoot = true;
      else if (isUp && isMeasured) follow();
      else if (isUp) isAtFoot = false;
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
