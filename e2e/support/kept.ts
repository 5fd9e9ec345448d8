import type { Page } from "puppeteer-core";

const PLACE = /\/(jobs|vehicles)\/([0-9a-f-]{36})(?:\/(find|plan|strip|build|sign))?/;

/** Under which names the page at this path is kept, with what is kept beside every page. */
function namesAt(path: string): string[] {
  const [, place, id, stage] = PLACE.exec(path) ?? [];
  const own = place === "jobs" ? [`job:${id}`, ...(stage ? [`${stage}:${id}`] : [])] : [`vehicle:${id}`];
  return ["frame", "today", "vehicles", ...(place ? own : [])];
}

/** Waits until this browser keeps the program itself. */
export async function isProgramKept(page: Page): Promise<void> {
  await page.waitForFunction(async () => (await navigator.serviceWorker.ready).active !== null);
  await page.waitForFunction(
    async () => (await caches.match("/shell.html", { ignoreSearch: true })) !== undefined,
  );
}

/** Waits until this browser keeps the program, what is on screen and the lists of the day, some seconds after the first screen. */
export async function isKept(page: Page): Promise<void> {
  await isProgramKept(page);
  await page.waitForFunction(
    async (names: string[]) => {
      const kept = await new Promise<IDBValidKey[]>((resolve) => {
        const opening = indexedDB.open("warm-ledger-pages");
        // Opened before the page has made it, it is none: it is given up, so that the page still makes its own.
        opening.onupgradeneeded = () => opening.transaction?.abort();
        opening.onerror = () => resolve([]);
        opening.onsuccess = () => {
          const reading = opening.result.transaction("pages").objectStore("pages").getAllKeys();
          reading.onsuccess = () => {
            opening.result.close();
            resolve(reading.result);
          };
          reading.onerror = () => resolve([]);
        };
      });
      return names.every((name) => kept.includes(name));
    },
    {},
    namesAt(new URL(page.url()).pathname),
  );
}
