import { useVirtualizer } from "@tanstack/react-virtual";
import { type RefObject, useEffect, useState } from "react";
import { flushSync } from "react-dom";

/** A book that is short is drawn whole: nothing is gained by drawing it in parts. */
const SHORT = 60;
const ROW_PX = 52;
const SPARE_ROWS = 12;

/** True while the page is put on paper: there nobody scrolls. */
function usePrinting(): boolean {
  const [isPrinting, setPrinting] = useState(false);
  useEffect(() => {
    const paper = matchMedia("print");
    const turn = () => flushSync(() => setPrinting(paper.matches));
    const begin = () => flushSync(() => setPrinting(true));
    const end = () => setPrinting(false);
    paper.addEventListener("change", turn);
    window.addEventListener("beforeprint", begin);
    window.addEventListener("afterprint", end);
    return () => {
      paper.removeEventListener("change", turn);
      window.removeEventListener("beforeprint", begin);
      window.removeEventListener("afterprint", end);
    };
  }, []);
  return isPrinting;
}

export interface Rows {
  /** Which lines are drawn, by their place in the list. */
  shown: readonly number[];
  /** Room above and below them, in px, for those that aren't. */
  before: number;
  after: number;
  measure?: (row: HTMLElement | null) => void;
}

/** Which of a book's lines are drawn: all of a short one, of a long one those in view and some about them. */
export function useRows(count: number, scroller: RefObject<HTMLElement | null>): Rows {
  const isLong = count > SHORT;
  const [isMounted, setMounted] = useState(false);
  useEffect(() => setMounted(true), []);
  const isPrinted = usePrinting();
  const virtual = useVirtualizer({
    count: isLong ? count : 0,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_PX,
    overscan: SPARE_ROWS,
    initialOffset: isLong ? count * ROW_PX : 0,
  });
  if (!isLong || isPrinted)
    return { shown: Array.from({ length: count }, (_, index) => index), before: 0, after: 0 };
  const items = virtual.getVirtualItems();
  const [first, last] = [items[0], items.at(-1)];
  // As it comes from the server, and before it is measured, a book is open at its foot.
  if (!isMounted || !first || !last) {
    const from = count - SHORT / 2;
    const shown = Array.from({ length: SHORT / 2 }, (_, index) => from + index);
    return { shown, before: from * ROW_PX, after: 0 };
  }
  return {
    shown: items.map(({ index }) => index),
    before: first.start,
    after: virtual.getTotalSize() - last.end,
    measure: virtual.measureElement,
  };
}
