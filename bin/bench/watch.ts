import type { Page } from "puppeteer-core";

/** A shop's old tablet against this machine. */
export const SLOWER = 4;

export interface Seen {
  long: number[];
  shift: number;
}

/** From here on the page notes every long task and every shift that no tap explains. */
export const watch = (page: Page) =>
  page.evaluateOnNewDocument(() => {
    const seen: Seen = { long: [], shift: 0 };
    Object.assign(window, { seen });
    new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) seen.long.push(duration);
    }).observe({ type: "longtask", buffered: true });
    new PerformanceObserver((list) => {
      for (const shift of list.getEntries() as unknown as { value: number; hadRecentInput: boolean }[])
        if (!shift.hadRecentInput) seen.shift += shift.value;
    }).observe({ type: "layout-shift", buffered: true });
  });

export const seenBy = (page: Page): Promise<Seen> =>
  page.evaluate(() => (window as unknown as { seen: Seen }).seen);
export const forget = (page: Page) =>
  page.evaluate(() => {
    (window as unknown as { seen: Seen }).seen.long = [];
  });
